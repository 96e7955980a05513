'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import { screwTroubles, type ScrewTroubleKind } from '@/core/entities/stages';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { screwTroubleNames } from '@/words/say/names';
import * as words from '@/words/catalogue/benchLater';

/** One screw at a time: what is the matter with it. */
export function ScrewTroubleDialog({
  step,
  onClose,
  onTrouble,
  onStray,
}: {
  readonly step: SheetStep;
  readonly onClose: () => void;
  readonly onTrouble: (kind: ScrewTroubleKind, count: number) => void;
  /** One lies there, and nobody knows where from. */
  readonly onStray: () => void;
}) {
  return (
    <KeyLayer>
      <Dialog title={words.screw2()} onClose={onClose}>
        <Box color="inkMuted" mb="12px">
          {words.pressAgainForSecondOne({ title: saySheet(step.title) })}
        </Box>
        <Box display="grid" gap="8px">
          {screwTroubles.map((kind, index) => (
            <KeyButton
              records
              key={kind}
              keyName={String(index + 1)}
              label={screwTroubleNames[kind]}
              look="outline"
              justifyContent="flex-start"
              isEnabled={step.cups.length > 0}
              onPress={() => {
                onTrouble(kind, 1);
                onClose();
              }}
            />
          ))}
          <KeyButton
            keyName="w"
            label={words.leftOverWhereDoesBelong()}
            look="outline"
            justifyContent="flex-start"
            onPress={onStray}
          />
        </Box>
      </Dialog>
    </KeyLayer>
  );
}
