import { isScrew, type Joint, type Screw } from '@/core/procedure/joints';

/** A screw that lies on the bench, as the calliper reads it. */
export interface StrayScrew {
  /** Left out when the drive cannot be told. */
  readonly drive?: string;
  readonly lengthMm: number;
  readonly diameterMm?: number;
  /** Standard error of both readings. */
  readonly errorMm: number;
}

/** What of a hole or its screw nobody has measured. */
export const unknownOf = ['lengthMm', 'diameterMm', 'depthMm'] as const;
export type UnknownOf = (typeof unknownOf)[number];

export interface StrayPlace {
  readonly screw: Screw;
  /** Chance that it came from here; all places together make 1. */
  readonly chance: number;
  /** It would reach what lies below the hole; null where the depth is unknown and it is no screw of this hole. */
  readonly wouldHurt: boolean | null;
  /** What is not known here, so that the chance and the warning rest on less. */
  readonly unknown: readonly UnknownOf[];
}

const lengthsInReach = 3;

/** How wide lengths of screws spread in small machines: the likelihood of a hole whose own screw was never measured. */
const spreadMm = 3;

/**
 * Where a stray screw can belong, most likely first, and which holes of its drive it would hurt.
 *
 * Likelihood of the readings under each hole's own screw, with normal errors of the calliper; where the model does not
 * know the length, under a wide normal instead, so that a measured match comes first. A hole that is open counts ten
 * times one that is shut, since its screw is missing; one whose screw is captive cannot have lost it. A longer screw than
 * the hole is deep hurts, by the reading plus two of its errors: that is what a longer one in a shallow hole does.
 *
 * @param openJoints  joints that are open now
 * @returns places whose likelihood is not nothing, and holes that it would or might hurt with chance 0 behind them
 * @throws RangeError for readings that are not above nothing
 */
export function placesOf(
  stray: StrayScrew,
  joints: readonly Joint[],
  openJoints: ReadonlySet<string>,
): readonly StrayPlace[] {
  const { drive, lengthMm, diameterMm, errorMm } = stray;
  if (!(lengthMm > 0) || !(errorMm > 0)) throw new RangeError(`placesOf: ${lengthMm} ± ${errorMm} mm`);
  const density = (offMm: number, deviationMm: number) =>
    Math.exp(-0.5 * (offMm / deviationMm) ** 2) * (errorMm / deviationMm);
  const likelihoodOf = (screw: Screw): number => {
    if (screw.isCaptive === true) return 0;
    if (screw.lengthMm === undefined) return density(0, spreadMm);
    if (Math.abs(lengthMm - screw.lengthMm) > lengthsInReach * errorMm) return 0;
    const across =
      diameterMm === undefined || screw.diameterMm === undefined ? 1 : density(diameterMm - screw.diameterMm, errorMm);
    return density(lengthMm - screw.lengthMm, errorMm) * across;
  };
  const weighed = joints.filter(isScrew).flatMap((screw) => {
    if (drive !== undefined && screw.drive !== drive) return [];
    const offMm = diameterMm === undefined ? 0 : Math.abs(diameterMm - (screw.diameterMm ?? diameterMm));
    if (offMm > lengthsInReach * errorMm) return [];
    const likelihood = likelihoodOf(screw) * (openJoints.has(screw.id) ? 10 : 1);
    const isNear = screw.lengthMm !== undefined && likelihood > 0;
    const wouldHurt = isNear ? false : screw.depthMm === undefined ? null : lengthMm + 2 * errorMm > screw.depthMm;
    return [{ screw, likelihood, wouldHurt, unknown: unknownOf.filter((field) => screw[field] === undefined) }];
  });
  const all = weighed.reduce((sum, { likelihood }) => sum + likelihood, 0);
  return weighed
    .filter(({ likelihood, wouldHurt }) => likelihood > 0 || wouldHurt !== false)
    .map(({ likelihood, ...place }) => ({ ...place, chance: all > 0 ? likelihood / all : 0 }))
    .sort((a, b) => b.chance - a.chance || (a.screw.depthMm ?? 0) - (b.screw.depthMm ?? 0));
}
