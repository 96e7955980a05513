'use client';
import { Box } from '@chakra-ui/react';
import { Dialog } from '@/ui/base/Dialog';
import { KeyCap } from '@/ui/base/KeyCap';
import type { KeyBinding } from './keyRegistry';
import * as words from '@/words/catalogue/keys';

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
    { key: '/', label: words.findOrScan() },
    { key: '?', label: words.showKeys() },
  ];
  return (
    <Dialog title={words.keysOnThisScreen()} onClose={onClose}>
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
        {words.scannerWorksOnEveryScreen()}
      </Box>
    </Dialog>
  );
}
