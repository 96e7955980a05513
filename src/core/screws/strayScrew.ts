import { isScrew, type Joint, type Screw } from '@/core/procedure/joints';

/** A screw that lies on the bench, as the calliper reads it. */
export interface StrayScrew {
  /** Left out when the head cannot be told. */
  readonly head?: string;
  readonly lengthMm: number;
  readonly diameterMm?: number;
  /** Standard error of both readings. */
  readonly errorMm: number;
}

export interface StrayPlace {
  readonly screw: Screw;
  /** Chance that it came from here; all places together make 1. */
  readonly chance: number;
  /** It would reach what lies below the hole. */
  readonly wouldHurt: boolean;
}

const lengthsInReach = 3;

/**
 * Where a stray screw can belong, most likely first, and which holes of its head it would hurt.
 *
 * Likelihood of the readings under each hole's own screw, with normal errors of the calliper; a hole that is open counts
 * ten times one that is shut, since its screw is missing. A longer screw than the hole is deep hurts, by the reading plus
 * two of its errors: that is what a longer one in a shallow hole does.
 *
 * @param openJoints  joints that are open now
 * @returns places whose likelihood is not nothing, and holes it would hurt with chance 0 behind them
 * @throws RangeError for readings that are not above nothing
 */
export function placesOf(
  stray: StrayScrew,
  joints: readonly Joint[],
  openJoints: ReadonlySet<string>,
): readonly StrayPlace[] {
  const { head, lengthMm, diameterMm, errorMm } = stray;
  if (!(lengthMm > 0) || !(errorMm > 0)) throw new RangeError(`placesOf: ${lengthMm} ± ${errorMm} mm`);
  const fit = (reading: number | undefined, own: number) =>
    reading === undefined ? 1 : Math.exp(-0.5 * ((reading - own) / errorMm) ** 2);
  const weighed = joints.filter(isScrew).flatMap((screw) => {
    if (head !== undefined && screw.head !== head) return [];
    if (diameterMm !== undefined && Math.abs(diameterMm - screw.diameterMm) > lengthsInReach * errorMm) return [];
    const isNear = Math.abs(lengthMm - screw.lengthMm) <= lengthsInReach * errorMm;
    const likelihood = isNear
      ? fit(lengthMm, screw.lengthMm) * fit(diameterMm, screw.diameterMm) * (openJoints.has(screw.id) ? 10 : 1)
      : 0;
    return [{ screw, likelihood, wouldHurt: !isNear && lengthMm + 2 * errorMm > screw.depthMm }];
  });
  const all = weighed.reduce((sum, { likelihood }) => sum + likelihood, 0);
  return weighed
    .filter(({ likelihood, wouldHurt }) => likelihood > 0 || wouldHurt)
    .map(({ screw, likelihood, wouldHurt }) => ({ screw, wouldHurt, chance: all > 0 ? likelihood / all : 0 }))
    .sort((a, b) => b.chance - a.chance || a.screw.depthMm - b.screw.depthMm);
}
