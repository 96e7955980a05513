'use client';
import { Box } from '@chakra-ui/react';
import { isNear } from './timeLeft';
import { TimerList } from './TimerList';
import { useWaits } from './TimersProvider';
import { useShopMinute } from './useSecond';
import * as words from '@/words/catalogue/timers';

const shown = 3;

/**
 * What waits by itself and is soon to be taken up, at the foot of every screen but the bench; nothing while nothing does. In the
 * middle: a screen's main action stands at its end.
 */
export function WaitingCorner() {
  const minute = useShopMinute();
  const timers = useWaits().filter((wait) => isNear(wait, minute * 60_000));
  if (timers.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label={words.waitingOnFixtures()}
      position="fixed"
      insetStart={{ base: '16px', md: 'calc(50% - 145px)' }}
      bottom="0"
      w="290px"
      bg="sheet"
      borderWidth="1px"
      borderColor="rule"
      borderTopWidth="3px"
      borderTopColor="twine"
      p="8px 12px 12px"
      zIndex="5"
    >
      <Box textStyle="caption" color="inkMuted">
        {timers.length > shown ? words.waitingOnFixturesInAll({ timers: timers.length }) : words.waitingOnFixtures()}
      </Box>
      <TimerList timers={timers.slice(0, shown)} />
    </Box>
  );
}
