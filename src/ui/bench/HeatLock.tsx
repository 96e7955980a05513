'use client';
import { Box } from '@chakra-ui/react';
import { Caution } from '@/ui/base/Caution';
import { sayClock } from '@/ui/words/amounts';
import { useSecond } from '../timers/useSecond';

/** Solvent and heat never together: how long the place must still be aired. */
export function HeatLock({ until }: { readonly until: string }) {
  const second = useSecond();
  const left = Math.round(Date.parse(until) / 1000) - second;
  if (second === 0 || left <= 0) return null;
  return (
    <Box mb="8px">
      <Caution what="No heat yet.">
        There is solvent in the air. Air the place; the heat is free in {sayClock(left)}.
      </Caution>
    </Box>
  );
}
