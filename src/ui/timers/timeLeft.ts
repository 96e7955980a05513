import type { Timer } from '@/core/entities/entities';
import * as words from '@/words/catalogue/timers';

/**
 * Seconds that a timer still runs; negative when it is over. A clock that stands before the moment at which it was begun
 * makes no wait longer than it is.
 */
export function secondsLeft({ beganAt, minutes }: Pick<Timer, 'beganAt' | 'minutes'>, nowMs: number): number {
  const whole = minutes * 60;
  return Math.min(whole, Math.round(whole - (nowMs - Date.parse(beganAt)) / 1000));
}

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
