'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { BitLife } from '@/core/screws/bitInUse';
import { wearOf, withHead, type BitWear } from '@/core/screws/bitWear';
import { screwsTurned } from '@/core/screws/screwsTurned';
import { screwTroubles, type ScrewTroubleKind } from '@/core/entities/stages';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { screwTroubleNames } from '@/words/say/names';
import { BitQuestion } from './BitQuestion';
import * as words from '@/words/catalogue/benchLater';

/** One screw at a time: what is the matter with it. */
export function ScrewTroubleDialog({
  step,
  bits,
  bench,
  onClose,
  onTrouble,
  onNewBit,
  onStray,
}: {
  readonly step: SheetStep;
  /** Of the whole shop. */
  readonly bits: readonly BitLife[];
  readonly bench: string;
  readonly onClose: () => void;
  readonly onTrouble: (kind: ScrewTroubleKind, count: number) => void;
  readonly onNewBit: (drive: string) => void;
  /** One lies there, and nobody knows where from. */
  readonly onStray: () => void;
}) {
  const [asked, setAsked] = useState<BitWear | null>(null);
  const [turned] = screwsTurned(step.joints);
  const tell = (kind: ScrewTroubleKind) => {
    onTrouble(kind, 1);
    if (kind !== 'stripped' || !turned) return onClose();
    // The head that was told of just now is one more than the page knows.
    setAsked(wearOf(withHead(bits, bench, turned.drive), bench, turned.drive));
  };
  if (asked)
    return (
      <KeyLayer>
        <Dialog title={words.bitAtThisBench({ drive: asked.drive })} onClose={onClose}>
          <BitQuestion
            wear={asked}
            onKeep={onClose}
            onRenew={() => {
              onNewBit(asked.drive);
              onClose();
            }}
          />
        </Dialog>
      </KeyLayer>
    );
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
              // A captive screw strips as well, though it lies in no cup.
              isEnabled={turned !== undefined}
              onPress={() => tell(kind)}
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
