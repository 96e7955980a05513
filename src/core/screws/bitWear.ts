import cdf from '@stdlib/stats-base-dists-poisson-cdf/lib/main.js';
import { bitInUse, type BitLife } from './bitInUse';
import type { Turned } from './screwsTurned';

/** What a fact did with one bit of its bench: screws it turned, heads that it stripped. */
export interface BitUse extends Turned {
  readonly stripped: number;
}

/** How the bit that is in use now is doing. */
export interface BitWear {
  readonly drive: string;
  readonly screws: number;
  readonly stripped: number;
  /** Heads that as many screws strip as a rule, by all other bits of this shop. */
  readonly usual: number;
  /** More heads than chance explains: renew it. */
  readonly isWorn: boolean;
}

/** What is assumed of a shop before it has a log of its own: one head in so many screws. Ours. */
const screwsPerHead = 500;
/** One head is down to its screw as easily as to the bit. */
const fewest = 2;
/** Of shops whose bits are all sound, so many are told of a worn one: so the chance of each is that much less. */
const unlikely = 0.05;

/** The bits with one stripped head more on the one that is in use here. */
export function withHead(lives: readonly BitLife[], bench: string, drive: string): readonly BitLife[] {
  const own = bitInUse(lives, bench, drive) ?? { bench, drive, screws: 0, stripped: 0, isOver: false };
  return [...lives.filter((life) => life !== own), { ...own, stripped: own.stripped + 1 }];
}

/**
 * A bit against the others of the shop: heads come by chance with the screws turned (Poisson), at the rate of all other
 * bits and one head in `screwsPerHead` beside them; worn is a bit that has two or more, and so many that this chance, times
 * the bits in use that are looked at as it is, is below one in twenty.
 *
 * @param lives  of all benches and drives; a bit without one has turned nothing
 */
export function wearOf(lives: readonly BitLife[], bench: string, drive: string): BitWear {
  const own = bitInUse(lives, bench, drive);
  const { screws = 0, stripped = 0 } = own ?? {};
  const others = lives.filter((life) => life !== own);
  const sum = (key: 'screws' | 'stripped') => others.reduce((total, life) => total + life[key], 0);
  const usual = (screws * (sum('stripped') + 1)) / (sum('screws') + screwsPerHead);
  const looked = Math.max(1, lives.filter(({ isOver }) => !isOver).length);
  const isWorn = stripped >= fewest && (1 - cdf(stripped - 1, usual)) * looked < unlikely;
  return { drive, screws, stripped, usual, isWorn };
}
