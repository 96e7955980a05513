'use client';
import { Box } from '@chakra-ui/react';
import type { BitWear } from '@/core/screws/bitWear';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/benchLater';

/** A head has stripped: what this bit has turned since it was new, and whether it should go. */
export function BitQuestion({
  wear,
  onRenew,
  onKeep,
}: {
  readonly wear: BitWear;
  readonly onRenew: () => void;
  readonly onKeep: () => void;
}) {
  return (
    <Box display="grid" gap="8px">
      <Caution
        tone={wear.isWorn ? 'danger' : 'waiting'}
        what={words.bitIsWorn({ drive: wear.drive, isWorn: wear.isWorn ? 'yes' : 'no' })}
      >
        {words.bitTurned({ screws: wear.screws, stripped: wear.stripped, usual: wear.usual })}
      </Caution>
      <KeyButton
        records
        keyName={wear.isWorn ? ' ' : 'y'}
        label={words.newBitFitted({ drive: wear.drive })}
        look={wear.isWorn ? 'action' : 'outline'}
        justifyContent="flex-start"
        onPress={onRenew}
      />
      <KeyButton
        keyName={wear.isWorn ? 'k' : ' '}
        label={words.keepThisBit()}
        look={wear.isWorn ? 'outline' : 'action'}
        justifyContent="flex-start"
        onPress={onKeep}
      />
    </Box>
  );
}
