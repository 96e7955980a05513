'use client';
import { useEffect, useRef } from 'react';

/** Times a step from the moment it came up, without anybody starting a clock. */
export function useStepClock(stepId: string): { readonly seconds: () => number } {
  const since = useRef(0);
  useEffect(() => {
    since.current = performance.now();
  }, [stepId]);
  return { seconds: () => Math.round((performance.now() - since.current) / 100) / 10 };
}
