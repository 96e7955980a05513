import type { Found } from '@/core/findings/mark';
import { capIn, cappedMix } from '@/core/findings/partHarm';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import type { ResistanceCount } from '../policy/learnedOdds';
import { partChance, type ShareGround } from '../worth/partChance';
import { priceOfPart, worthToday, type Market } from '../worth/partWorth';
import type { PartKnowledge } from './teardownPlan';

/** What the shop knows that a plan hangs on. */
export interface PlanGround extends ShareGround {
  /** By interchange class; one that is not listed has no stock. */
  readonly market: Readonly<Record<string, Market>>;
  /** Where the steps of this model came to an end, for the odds that a joint yields. */
  readonly resistances: readonly ResistanceCount[];
}

/**
 * Worth and chance of every part of a model that has a price, for a unit of one configuration.
 *
 * What was found on the unit lowers both: by its cap, and by what such units gave (`partChance`).
 * A part that was never sought has the chance of an unseen one; what its way out risks is not in that.
 */
export function knowledgeOf(
  model: Model,
  configuration: string | null,
  ground: PlanGround,
  rules: HouseRules,
  found: Found = { marks: [] },
): readonly PartKnowledge[] {
  const absent = new Set(model.configurations.find(({ id }) => id === configuration)?.absentParts ?? []);
  return model.parts.flatMap((part) => {
    const cap = capIn(model, part, found)?.grade;
    const price = absent.has(part.id) ? undefined : priceOfPart(part, cappedMix(rules.gradeMix, cap));
    if (price === undefined) return [];
    const { share, low, high } = cap === 'X' ? never : partChance(model, part, found, ground);
    const soundCents = worthToday(price, ground.market[part.interchange] ?? { stock: 0, usedPerMonth: null }, rules);
    const isSeen = ground.shares[part.id] !== undefined;
    return [{ part: part.id, soundCents, chance: share, lowChance: low, highChance: high, isSeen }];
  });
}

const never = { share: 0, low: 0, high: 0 };
