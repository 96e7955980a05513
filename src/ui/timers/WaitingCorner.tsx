'use client';
import { Box } from '@chakra-ui/react';
import { TimerList } from './TimerList';
import { useTimers } from './TimersProvider';

const shown = 3;

/** What waits on fixtures, in a corner of every screen but the bench; nothing while nothing waits. */
export function WaitingCorner() {
  const timers = useTimers();
  if (timers.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="Waiting on fixtures"
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
        {timers.length > shown ? `Waiting on fixtures, ${timers.length} in all` : 'Waiting on fixtures'}
      </Box>
      <TimerList timers={timers.slice(0, shown)} />
    </Box>
  );
}
