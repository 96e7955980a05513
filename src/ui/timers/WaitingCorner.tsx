'use client';
import { Box } from '@chakra-ui/react';
import { TimerList } from './TimerList';
import { useWaits } from './TimersProvider';
import * as words from '@/words/catalogue/timers';

const shown = 3;

/** What waits by itself, in a corner of every screen but the bench; nothing while nothing waits. */
export function WaitingCorner() {
  const timers = useWaits();
  if (timers.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label={words.waitingOnFixtures()}
      position="fixed"
      insetEnd="16px"
      bottom="16px"
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
