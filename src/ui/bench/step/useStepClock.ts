'use client';
import { useSyncExternalStore } from 'react';
import type { Timer } from '@/core/entities/entities';
import { usualSeconds as usualOf } from '@/core/sheet/usualSeconds';
import type { Span } from '@/core/statistics/productLimit';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { allWasBreak, look, recordOf, toggleBreak, workedMs } from './stepTime';
import { changeStepTime, stepTimeOf, watchStepTimes } from './stepTimes';

export interface StepClock {
  /** Seconds of work until a moment. */
  readonly secondsAt: (ms: number) => number;
  /** What is recorded when the step is done. */
  readonly record: () => ReturnType<typeof recordOf>;
  readonly isAway: boolean;
  /** Work or break, and back. */
  readonly toggleBreak: () => void;
  readonly sayWork: () => void;
  readonly sayBreak: () => void;
  readonly isWork: boolean;
  /** Seconds of work that nine steps of ten stay under. */
  readonly usualSeconds: number;
}

/** Times a step from the moment it came up, without anybody starting a clock, over reloads and breaks. */
export function useStepClock(unitId: string, step: SheetStep, timer: Timer | null, timed: readonly Span[]): StepClock {
  const time = useSyncExternalStore(
    watchStepTimes,
    () => stepTimeOf(unitId, step.id),
    () => null,
  );
  // While it waits on a fixture nobody works on it.
  const until = (ms: number) => Math.min(ms, timer ? Date.parse(timer.beganAt) : Number.POSITIVE_INFINITY);
  const usualSeconds = usualOf(step.minutes, timed);
  return {
    secondsAt: (ms) => (time ? Math.max(0, Math.round(workedMs(time, until(ms)) / 100) / 10) : 0),
    record: () => {
      const now = until(Date.now());
      return time ? recordOf(timer ? time : look(time, now), now, usualSeconds * 1000) : { seconds: 0 };
    },
    isAway: time !== null && time.awaySinceMs !== null,
    toggleBreak: () => changeStepTime(unitId, toggleBreak),
    sayWork: () => changeStepTime(unitId, (before) => ({ ...before, isWork: true })),
    sayBreak: () => changeStepTime(unitId, allWasBreak),
    isWork: time?.isWork ?? false,
    usualSeconds,
  };
}
