'use client';
import { Box } from '@chakra-ui/react';
import { Dialog } from '@/ui/base/Dialog';
import { KeyCap } from '@/ui/base/KeyCap';
import type { KeyBinding } from './keyRegistry';

/** The keys of this screen, as they are bound now. */
export function KeysHelp({
  bindings,
  onClose,
}: {
  readonly bindings: readonly KeyBinding[];
  readonly onClose: () => void;
}) {
  const own = [
    ...bindings.filter(({ label }) => label !== ''),
    { key: '/', label: 'Find or scan' },
    { key: '?', label: 'These keys' },
  ];
  return (
    <Dialog title="Keys of this screen" onClose={onClose}>
      <Box as="ul" columns={2} columnGap="32px">
        {own.map(({ key, label }) => (
          <Box as="li" key={key} display="flex" gap="12px" alignItems="center" minH="36px" breakInside="avoid">
            <Box minW="56px" textAlign="end">
              <KeyCap name={key} />
            </Box>
            {label}
          </Box>
        ))}
      </Box>
      <Box mt="12px" textStyle="note" color="inkMuted">
        A scanner works on every screen: a tag opens its unit or part. A foot pedal is the space bar.
      </Box>
    </Dialog>
  );
}
