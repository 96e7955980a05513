'use client';
import { stopwatch } from '@/words/format';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { sayWait, secondsLeft, type RunningWait } from './timeLeft';
import { useShopSecond } from './useSecond';
import * as words from '@/words/catalogue/timers';

/** What waits by itself, each with what is left; what is ready stands out and opens where it is taken up. */
export function TimerList({ timers }: { readonly timers: readonly RunningWait[] }) {
  const second = useShopSecond();
  return (
    <Box as="ul" display="grid" gap="6px" pt="10px" aria-label={words.timers()}>
      {timers.map((wait) => {
        const left = second === 0 ? null : secondsLeft(wait, second * 1000);
        const isReady = left !== null && left <= 0;
        return (
          <Box as="li" key={wait.id} bg={isReady ? 'waiting' : 'waitingSoft'} color={isReady ? 'sheet' : 'ink'}>
            <Link href={wait.href} prefetch={false}>
              <Box as="span" display="flex" alignItems="baseline" gap="10px" px="12px" minH="48px" py="10px">
                <Box as="strong" fontFamily="mono">
                  {wait.tag}
                </Box>
                <Box as="span" flex="1">
                  {sayWait(wait, second * 1000)}
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
