import { screwName } from '@/core/procedure/drives';
import { keysOf, type OpeningLog } from './openingLog';

/** Something that came off and did not go back, or the other way round, in one log. */
export interface Imbalance {
  readonly log: number;
  readonly what: string;
  readonly out: number;
  readonly back: number;
}

/**
 * Out and back of one log held against each other: screws by head and length, and every other thing by what was done to
 * it. Looking and warming leave nothing behind.
 *
 * @returns nothing while no way back was logged
 */
export function imbalancesOf(log: OpeningLog): readonly Imbalance[] {
  if (!log.entries.some(({ leg }) => leg === 'back')) return [];
  const counts = new Map<string, { out: number; back: number }>();
  const count = (what: string, leg: 'out' | 'back', number: number) => {
    const entry = counts.get(what) ?? { out: 0, back: 0 };
    entry[leg] += number;
    counts.set(what, entry);
  };
  for (const { leg, verb, thing, screws } of log.entries) {
    for (const screw of screws) count(screwName(screw), leg, screw.count);
    if (verb !== 'warm' && verb !== 'look') count(`${verb} ${thing.trim().toLowerCase()}`, leg, 1);
  }
  return [...counts]
    .filter(([, { out, back }]) => out !== back)
    .map(([what, { out, back }]) => ({ log: log.number, what, out, back }));
}

/** Keys of the operations of one leg, in order. */
export const legKeys = (log: OpeningLog, leg: 'out' | 'back'): readonly string[] =>
  keysOf(log.entries.filter((entry) => entry.leg === leg));
