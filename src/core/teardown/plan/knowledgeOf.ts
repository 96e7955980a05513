import type { Found } from '@/core/findings/mark';
import { capIn, cappedMix, oddsIn } from '@/core/findings/partHarm';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { HouseRules } from '@/core/shared/houseRules';
import type { ResistanceCount } from '../policy/learnedOdds';
import { priceOfPart, worthToday, type Market } from '../worth/partWorth';
import type { PartKnowledge } from './teardownPlan';

/** What is known of the chance that a part comes out good, with its 80 % range. */
export interface KnownShare {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/** What the shop knows that a plan hangs on. */
export interface PlanGround {
  /** By part; one that is not listed was never sought. */
  readonly shares: Readonly<Record<string, KnownShare>>;
  readonly unseen: KnownShare;
  /** By interchange class; one that is not listed has no stock. */
  readonly market: Readonly<Record<string, Market>>;
  /** Where the steps of this model came to an end, for the odds that a joint yields. */
  readonly resistances: readonly ResistanceCount[];
}

/**
 * Worth and chance of every part of a model that has a price, for a unit of one configuration.
 *
 * What was found on the unit lowers both: by its cap, and by our estimate of the odds.
 * A part that was never sought has the chance of an unseen one; what its way out risks is not in that.
 */
export function knowledgeOf(
  model: Model,
  configuration: string | null,
  { shares, unseen, market }: PlanGround,
  rules: HouseRules,
  found: Found = { marks: [] },
): readonly PartKnowledge[] {
  const absent = new Set(model.configurations.find(({ id }) => id === configuration)?.absentParts ?? []);
  return model.parts.flatMap((part) => {
    const cap = capIn(model, part, found)?.grade;
    const price = absent.has(part.id) ? undefined : priceOfPart(part, cappedMix(rules.gradeMix, cap));
    if (price === undefined) return [];
    const seen = shares[part.id];
    const known = seen ?? unseen;
    const odds = cap === 'X' ? 0 : oddsIn(model, part, found) * (seen ? 1 : survivalOf(model, part));
    const [share, low, high] = [known.share * odds, known.low * odds, known.high * odds];
    const soundCents = worthToday(price, market[part.interchange] ?? { stock: 0, usedPerMonth: null }, rules);
    return [{ part: part.id, soundCents, chance: share, lowChance: low, highChance: high, isSeen: seen !== undefined }];
  });
}

/** How often a part that its author says seldom survives comes out whole, where no risk says it and no log: ours. */
const seldom = 0.25;

const survivalOf = ({ operations }: Model, { id, seldomSurvives }: ModelPart): number =>
  seldomSurvives === undefined || operations.some(({ risks = [] }) => risks.some(({ part }) => part === id))
    ? 1
    : seldom;
