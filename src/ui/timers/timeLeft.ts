import type { Timer } from '@/core/entities/entities';
import { stepAt, type Conditioning } from '@/core/battery/conditioning';
import * as words from '@/words/catalogue/timers';

/** Something that goes on without anybody: a unit on a fixture, or a cell on its charger. */
export interface RunningWait {
  readonly id: string;
  readonly tag: string;
  /** Where it is taken up again. */
  readonly href: string;
  /** ISO in UTC. */
  readonly beganAt: string;
  readonly minutes: number;
  /** Of a unit. */
  readonly timer: Timer | null;
  /** Of a cell. */
  readonly conditioning: Conditioning | null;
}

/**
 * Seconds that a timer still runs; negative when it is over. A clock that stands before the moment at which it was begun
 * makes no wait longer than it is.
 */
export function secondsLeft({ beganAt, minutes }: Pick<Timer, 'beganAt' | 'minutes'>, nowMs: number): number {
  const whole = minutes * 60;
  return Math.min(whole, Math.round(whole - (nowMs - Date.parse(beganAt)) / 1000));
}

/** A cell takes hours: it is told of on every screen when it is nearly done. */
const nearSeconds = 10 * 60;

/** Whether a wait concerns whoever is near: a unit on a fixture always does. @param nowMs  by the shop's clock */
export const isNear = (wait: RunningWait, nowMs: number): boolean =>
  wait.timer !== null || secondsLeft(wait, nowMs) <= nearSeconds;

/** A fixture with its number, where there are several. */
export const sayFixture = ({ fixture, place }: Pick<Timer, 'fixture' | 'place'>): string =>
  words.onBench({ isFixtureBench: fixture === 'bench' ? 'yes' : 'no', fixture, place });

/** The lowest number of a fixture that nobody waits on. */
export function freePlace(fixture: string, running: readonly Pick<Timer, 'fixture' | 'place'>[]): number {
  const taken = new Set(running.filter((timer) => timer.fixture === fixture).map(({ place }) => place));
  let place = 1;
  while (fixture !== 'bench' && taken.has(place)) place += 1;
  return place;
}

/** What something that waits by itself is doing at a moment. @param now  in milliseconds */
export function sayWait({ timer, conditioning }: Pick<RunningWait, 'timer' | 'conditioning'>, now: number): string {
  if (timer) return sayFixture(timer);
  const does = conditioning && stepAt(conditioning, now)?.step.does;
  return words.conditioningNow({ does: does?.replaceAll('-', '_') ?? 'over' });
}
