import type { ScrewGroup } from './screwGroups';

/** Lengths that differ by this much are told apart at a glance. */
const clearMm = 1.5;

/** What is not known of two look-alikes counts as half of the worst. */
const unknownHarm = 0.5;

/**
 * What it can cost to have two groups of screws in one cup: how easily they are taken for each other, times what the wrong
 * one does. The worst is a longer one in a hole that is too shallow for it, since it goes into what lies below.
 *
 * @returns 0 for groups that are the same or cannot be mistaken, up to 1 for twins of which one breaks something; a length
 *   or depth that nobody has measured counts half
 */
export function confusionOf(a: ScrewGroup, b: ScrewGroup): number {
  if (a.kind !== b.kind || a.drive !== b.drive) return 0;
  // One that is thrown away and one that goes back are never mixed.
  if (a.singleUse !== b.singleUse) return 1;
  if (a.lengthMm === undefined || b.lengthMm === undefined)
    return a.lengthMm === b.lengthMm && a.diameterMm === b.diameterMm ? 0 : unknownHarm;
  const apart = Math.abs(a.lengthMm - b.lengthMm);
  if (apart === 0 && a.diameterMm === b.diameterMm) return 0;
  const alike = Math.max(0, 1 - apart / clearMm);
  const [longer, shorter] = a.lengthMm >= b.lengthMm ? [a, b] : [b, a];
  return alike * harmOf(longer.lengthMm as number, shorter.depthMm);
}

const harmOf = (lengthMm: number, depthMm: number | undefined): number =>
  depthMm === undefined ? unknownHarm : lengthMm > depthMm ? 1 : 0.2;
