'use client';
import { Box } from '@chakra-ui/react';
import { Caution } from '@/ui/base/Caution';
import { useShopSecond } from '@/ui/timers/useSecond';
import * as words from '@/words/catalogue/bench';

/** Solvent and heat never together: how long the place must still be aired. */
export function HeatLock({ until }: { readonly until: string }) {
  const second = useShopSecond();
  const left = Math.round(Date.parse(until) / 1000) - second;
  if (second === 0 || left <= 0) return null;
  return (
    <Box mb="8px">
      <Caution what={words.noHeatYet()}>{words.thereSolventInAirVentilate({ left })}</Caution>
    </Box>
  );
}
