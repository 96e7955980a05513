import { look, lookEveryMs, readKept, startStep, type StepTime } from './stepTime';

const keyOf = (unitId: string): string => `plucky-step:${unitId}`;

const times = new Map<string, StepTime>();
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;

/** The time of a unit's step, taken up where an earlier page left it. One step a unit: another one begins anew. */
export function stepTimeOf(unitId: string, stepId: string): StepTime {
  const known = times.get(unitId);
  if (known?.stepId === stepId) return known;
  const before = known ? null : readKept(stored(unitId), stepId);
  const time = before ? look(before, Date.now()) : startStep(stepId, Date.now());
  keep(unitId, time);
  return time;
}

export function changeStepTime(unitId: string, to: (time: StepTime, nowMs: number) => StepTime): void {
  const time = times.get(unitId);
  if (!time) return;
  keep(unitId, to(time, Date.now()));
  for (const tell of listeners) tell();
}

/** While somebody watches, the clock is looked at every few seconds. */
export function watchStepTimes(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(() => {
    for (const unitId of times.keys()) changeStepTime(unitId, look);
  }, lookEveryMs);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearInterval(timer);
    timer = undefined;
    // What is not watched is taken up from its copy, and the silence shows.
    times.clear();
  };
}

function keep(unitId: string, time: StepTime): void {
  times.set(unitId, time);
  try {
    localStorage.setItem(keyOf(unitId), JSON.stringify(time));
  } catch {
    // Full or forbidden: the time is only lost over a reload.
  }
}

function stored(unitId: string): string | null {
  try {
    return localStorage.getItem(keyOf(unitId));
  } catch {
    return null;
  }
}
