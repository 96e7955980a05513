'use client';
import { Box } from '@chakra-ui/react';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useSecond } from '@/ui/timers/useSecond';
import type { StepClock } from './useStepClock';
import * as words from '@/words/catalogue/bench';

/** Asked by nobody: this step takes longer than nine of ten do. Work, a break, or does it resist? */
export function PastUsual({ clock, canResist }: { readonly clock: StepClock; readonly canResist: boolean }) {
  const seconds = clock.secondsAt(useSecond() * 1000);
  if (clock.isWork || clock.isAway || seconds <= clock.usualSeconds) return null;
  return (
    <Box mb="8px">
      <Caution tone="waiting" what={words.over9In10Take({ usualSeconds: clock.usualSeconds })}>
        {words.ifWontComeLoosePress({ canResist: canResist ? 'yes' : 'no' })}
        <Box as="span" display="inline-flex" gap="8px" verticalAlign="middle">
          <KeyButton keyName="k" label={words.wasWork()} size="small" onPress={clock.sayWork} />
          <KeyButton keyName="j" label={words.wasBreak()} size="small" onPress={clock.sayBreak} />
        </Box>
      </Caution>
    </Box>
  );
}
