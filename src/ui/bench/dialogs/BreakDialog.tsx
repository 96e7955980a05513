'use client';
import { stopwatch } from '@/words/format';
import { useState } from 'react';
import { Box } from '@chakra-ui/react';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { useSecond } from '@/ui/timers/useSecond';
import * as words from '@/words/catalogue/bench';

/** The work stands still and so does its clock, until the pedal says that it goes on. */
export function BreakDialog({ onBack }: { readonly onBack: () => void }) {
  const second = useSecond();
  const [since] = useState(() => Math.floor(Date.now() / 1000));
  return (
    <KeyLayer>
      <Dialog title={words.breakWord()} onClose={onBack}>
        <Box textStyle="instruction" textAlign="center" py="18px" minW="420px">
          {stopwatch(Math.max(0, second - since))}
        </Box>
        <KeyButton records keyName=" " label={words.backToWork()} look="action" size="wide" w="100%" onPress={onBack} />
      </Dialog>
    </KeyLayer>
  );
}
