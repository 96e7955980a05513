import type { ScrewGroup } from './screwGroups';

/** Lengths that differ by this much are told apart at a glance. */
const clearMm = 1.5;

/**
 * What it can cost to have two groups of screws in one cup: how easily they are taken for each other, times what the wrong
 * one does. The worst is a longer one in a hole that is too shallow for it, since it goes into what lies below.
 *
 * @returns 0 for groups that are the same or cannot be mistaken, up to 1 for twins of which one breaks something
 */
export function confusionOf(a: ScrewGroup, b: ScrewGroup): number {
  if (a.head !== b.head) return 0;
  const apart = Math.abs(a.lengthMm - b.lengthMm);
  if (apart === 0 && a.diameterMm === b.diameterMm) return 0;
  const alike = Math.max(0, 1 - apart / clearMm);
  const [longer, shorter] = a.lengthMm >= b.lengthMm ? [a, b] : [b, a];
  const harm = longer.lengthMm > shorter.depthMm ? 1 : 0.2;
  return alike * harm;
}
