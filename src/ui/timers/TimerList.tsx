'use client';
import { stopwatch } from '@/words/format';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { sayFixture, secondsLeft } from './timeLeft';
import type { RunningTimer } from './TimersProvider';
import { useShopSecond } from './useSecond';
import * as words from '@/words/catalogue/timers';

/** Units that wait on fixtures, each with what is left; what is ready stands out and opens its bench. */
export function TimerList({ timers }: { readonly timers: readonly RunningTimer[] }) {
  const second = useShopSecond();
  return (
    <Box as="ul" display="grid" gap="6px" pt="10px" aria-label={words.timers()}>
      {timers.map(({ unit, timer }) => {
        const left = second === 0 ? null : secondsLeft(timer, second * 1000);
        const isReady = left !== null && left <= 0;
        return (
          <Box as="li" key={unit.id} bg={isReady ? 'waiting' : 'waitingSoft'} color={isReady ? 'sheet' : 'ink'}>
            <Link href={`/bench/${unit.tag}`} prefetch={false}>
              <Box as="span" display="flex" alignItems="baseline" gap="10px" px="12px" minH="48px" py="10px">
                <Box as="strong" fontFamily="mono">
                  {unit.tag}
                </Box>
                <Box as="span" flex="1">
                  {sayFixture(timer)}
                </Box>
                <Box as="strong" fontSize="20px" color={isReady ? 'sheet' : 'waiting'}>
                  {left === null ? '' : isReady ? 'ready' : stopwatch(left)}
                </Box>
              </Box>
            </Link>
          </Box>
        );
      })}
    </Box>
  );
}
