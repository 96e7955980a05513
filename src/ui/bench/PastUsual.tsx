'use client';
import { Box } from '@chakra-ui/react';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayClock } from '@/ui/words/amounts';
import { useSecond } from '../timers/useSecond';
import type { StepClock } from './useStepClock';

/** Asked by nobody: this step takes longer than nine of ten do. Work, a break, or does it resist? */
export function PastUsual({ clock, canResist }: { readonly clock: StepClock; readonly canResist: boolean }) {
  const seconds = clock.secondsAt(useSecond() * 1000);
  if (clock.isWork || clock.isAway || seconds <= clock.usualSeconds) return null;
  return (
    <Box mb="8px">
      <Caution tone="waiting" what={`Past ${sayClock(clock.usualSeconds)}, which nine of ten stay under.`}>
        {canResist ? 'If it resists, press R: what to try next and when to stop. ' : ''}
        <Box as="span" display="inline-flex" gap="8px" verticalAlign="middle">
          <KeyButton keyName="k" label="It is work" size="small" onPress={clock.sayWork} />
          <KeyButton keyName="j" label="It was a break" size="small" onPress={clock.sayBreak} />
        </Box>
      </Caution>
    </Box>
  );
}
