'use client';
import { Box } from '@chakra-ui/react';
import { screwTroubles, type ScrewTroubleKind } from '@/core/bench/stages';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { screwTroubleNames } from '@/ui/words/names';

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
      <Dialog title="A screw is …" onClose={onClose}>
        <Box color="inkMuted" mb="12px">
          {step.title}. Press again for a second one.
        </Box>
        <Box display="grid" gap="8px">
          {screwTroubles.map((kind, index) => (
            <KeyButton
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
            label="left over: where does it belong?"
            look="outline"
            justifyContent="flex-start"
            onPress={onStray}
          />
        </Box>
      </Dialog>
    </KeyLayer>
  );
}
