/** What is known of one interchange class on the shelf. */
export interface ClassOnShelf {
  readonly interchange: string;
  /** On the shelf and free. */
  readonly free: number;
  readonly reserved: number;
  /** Open slots of units that are to be built. */
  readonly wanted: number;
  /** Set aside for builds in the days that were watched. */
  readonly used: number;
}

export type Standing = 'short' | 'scarce' | 'enough' | 'surplus';

export interface ClassStanding extends ClassOnShelf {
  readonly standing: Standing;
  /** Free ones that are left when every open slot has one; below zero, so many are missing. */
  readonly left: number;
  /** Weeks that those last at the pace of use; null where nothing was ever used. */
  readonly weeks: number | null;
  /** More than the shop will use within the longest time that is worth keeping them. */
  readonly surplus: number;
}

export const stockRules = {
  /** Days of use that are looked at. */
  watchedDays: 56,
  /** What lasts no longer than this is scarce. */
  scarceWeeks: 2,
  /** What lasts longer than this is more than is needed. */
  surplusWeeks: 26,
  /** A part or two of a kind that nobody used is kept for the day that it is asked for. */
  kept: 2,
} as const;

/**
 * Stock against demand: first every open slot, then the pace at which such parts were used.
 *
 * @returns the shortest first, then the scarce ones, then the greatest surplus
 */
export function standings(classes: readonly ClassOnShelf[]): readonly ClassStanding[] {
  const weeksWatched = stockRules.watchedDays / 7;
  const judged = classes.map((own): ClassStanding => {
    const left = own.free - own.wanted;
    const perWeek = own.used / weeksWatched;
    const weeks = perWeek > 0 ? Math.max(0, left) / perWeek : null;
    const surplus = Math.max(0, left - Math.max(stockRules.kept, Math.ceil(perWeek * stockRules.surplusWeeks)));
    const isScarce = weeks !== null && weeks <= stockRules.scarceWeeks;
    const standing = left < 0 ? 'short' : isScarce ? 'scarce' : surplus > 0 ? 'surplus' : 'enough';
    return { ...own, standing, left, weeks, surplus };
  });
  const order: Readonly<Record<Standing, number>> = { short: 0, scarce: 1, surplus: 2, enough: 3 };
  return judged.sort(
    (a, b) =>
      order[a.standing] - order[b.standing] ||
      (a.standing === 'short' ? a.left - b.left : 0) ||
      (a.standing === 'scarce' ? (a.weeks ?? 0) - (b.weeks ?? 0) : 0) ||
      b.surplus - a.surplus ||
      a.interchange.localeCompare(b.interchange),
  );
}
