'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { Minutes } from '@/core/procedure/operations';
import { sayClock } from '@/ui/words/amounts';

/** How long this step takes so far, beside how long it usually takes; it turns red past the usual. */
export function StepClock({ stepId, usual }: { readonly stepId: string; readonly usual: Minutes }) {
  return <Running key={stepId} usual={usual} />;
}

function Running({ usual }: { readonly usual: Minutes }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const since = Date.now();
    const timer = setInterval(() => setSeconds(Math.floor((Date.now() - since) / 1000)), 1000);
    return () => clearInterval(timer);
  }, []);
  return (
    <Box as="span" color={seconds > usual.high * 60 ? 'danger' : undefined}>
      <Box as="strong" textStyle="figure">
        {sayClock(seconds)}
      </Box>{' '}
      of {sayClock(usual.low * 60)} to {sayClock(usual.high * 60)}
    </Box>
  );
}
