import { hitsOf } from '@/core/findings/hits';
import type { Found } from '@/core/findings/mark';
import { findingRules } from '@/core/findings/rules';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Finding } from '@/core/procedure/vocabulary';

/** What is known of the chance that a part comes out good, with its 80 % range. */
export interface KnownShare {
  readonly share: number;
  readonly low: number;
  readonly high: number;
  /** Trials that the belief is worth, of the Beta that it is; left out where it is certain. */
  readonly weight?: number;
}

/** What the log says of a model's parts. */
export interface ShareGround {
  /** By part; one that is not listed was never sought. */
  readonly shares: Readonly<Record<string, KnownShare>>;
  /** The same from units on which something was found. */
  readonly sharesGiven: Readonly<Partial<Record<Finding, Readonly<Record<string, KnownShare>>>>>;
  readonly unseen: KnownShare;
}

/** How often a part that its author says seldom survives comes out whole, where no risk says it and no log: ours. */
const seldom = 0.25;

/**
 * Chance of a part of a unit to come out good: as seen on units like it, else as seen on any, less what was found on this
 * one; of all that was found, what leaves the least.
 */
export function partChance(model: Model, part: ModelPart, found: Found, ground: ShareGround): KnownShare {
  const general = ground.shares[part.id] ?? scaled(ground.unseen, survivalOf(model, part));
  return hitsOf(model, part, found).reduce((least, { finding }) => {
    const odds = findingRules[finding].odds[part.category] ?? 1;
    const given = ground.sharesGiven[finding]?.[part.id] ?? scaled(general, odds);
    return given.share < least.share ? given : least;
  }, general);
}

const scaled = ({ share, low, high, weight }: KnownShare, factor: number): KnownShare => ({
  share: share * factor,
  low: low * factor,
  high: high * factor,
  ...(weight !== undefined && { weight }),
});

const survivalOf = ({ operations }: Model, { id, seldomSurvives }: ModelPart): number =>
  seldomSurvives === undefined || operations.some(({ risks = [] }) => risks.some(({ part }) => part === id))
    ? 1
    : seldom;
