'use client';
import { Box } from '@chakra-ui/react';
import type { Minutes } from '@/core/procedure/operations';
import { sayClock } from '@/ui/words/amounts';
import { useSecond } from '../timers/useSecond';
import type { StepClock as Clock } from './useStepClock';

/** How long this step takes so far, beside how long it usually takes; it turns red past the usual. */
export function StepClock({ clock, usual }: { readonly clock: Clock; readonly usual: Minutes }) {
  const seconds = clock.secondsAt(useSecond() * 1000);
  return (
    <Box as="span" color={seconds > clock.usualSeconds ? 'danger' : undefined}>
      <Box as="strong" textStyle="figure">
        {sayClock(seconds)}
      </Box>{' '}
      of {sayClock(usual.low * 60)} to {sayClock(usual.high * 60)}
    </Box>
  );
}
