'use client';
import { stopwatch } from '@/words/format';
import { Box } from '@chakra-ui/react';
import type { Minutes } from '@/core/procedure/operations';
import { useSecond } from '@/ui/timers/useSecond';
import type { StepClock as Clock } from './useStepClock';
import * as words from '@/words/catalogue/bench';

/** How long this step takes so far, beside how long it usually takes; it turns red past the usual. */
export function StepClock({ clock, usual }: { readonly clock: Clock; readonly usual: Minutes }) {
  const seconds = clock.secondsAt(useSecond() * 1000);
  return (
    <Box as="span" color={seconds > clock.usualSeconds ? 'danger' : undefined}>
      <Box as="strong" textStyle="figure">
        {stopwatch(seconds)}
      </Box>{' '}
      {words.ofTo({ low: usual.low * 60, high: usual.high * 60 })}
    </Box>
  );
}
