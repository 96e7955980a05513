'use client';
import { Box } from '@chakra-ui/react';
import { useSyncExternalStore } from 'react';
import { Button } from '@/ui/base/Button';
import type { KeyRegistry } from './keyRegistry';

const nothing = (): null => null;

/** On a phone the one next thing of the screen lies at its foot, always in reach of a thumb: what space does elsewhere. */
export function PedalBar({ registry }: { readonly registry: KeyRegistry }) {
  // The registry changes inside: only what it says tells, which the compiler cannot know.
  'use no memo';
  const pedal = useSyncExternalStore(registry.subscribe, registry.pedal, nothing);
  if (!pedal) return null;
  return (
    <Box
      display={{ base: 'block', sm: 'none' }}
      position="fixed"
      insetInline="0"
      bottom="0"
      zIndex={9}
      bg="sheet"
      borderTopWidth="1px"
      borderColor="rule"
      p="10px 12px"
      data-pedal
    >
      <Button look="action" size="wide" w="100%" onClick={pedal.run}>
        {pedal.label}
      </Button>
    </Box>
  );
}
