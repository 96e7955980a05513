import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { priceOfPart } from '@/core/teardown/worth/partWorth';
import type { Knowledge, Lack } from './knowledge';
import { buildCents, planBuild } from './valueBuild';

/**
 * What one more part of a class would earn with the builds that wait for it: what the build leaves that gains most,
 * shared among all it lacks, but no more than buying the part would cost.
 *
 * @param waiting  units at Match, with their models
 * @param known    what is known, without what is lacking
 * @returns by interchange class, classes that some build lacks
 */
export function lackingParts(
  waiting: readonly { readonly unit: Unit; readonly model: Model }[],
  known: Omit<Knowledge, 'lacking'>,
  rules: HouseRules,
): Readonly<Record<string, Lack>> {
  const lacking: Record<string, Lack> = {};
  for (const { unit, model } of waiting) {
    const plan = planBuild(model, unit, { ...known, lacking: {} }, rules);
    const bought = plan?.parts.filter(({ isBought, part }) => isBought && unit.assigned[part.id] === undefined) ?? [];
    if (!plan || bought.length === 0) continue;
    const saved = bought.reduce((sum, { cents }) => sum + cents, 0);
    const gain = (buildCents(plan, 0, rules) + saved) / bought.length;
    for (const { part } of bought) {
      const mostCents = Math.round((priceOfPart(part, rules.gradeMix) ?? 0) * rules.purchaseFactor);
      const cents = Math.max(0, Math.min(Math.round(gain), mostCents));
      const before = lacking[part.interchange];
      lacking[part.interchange] = {
        units: (before?.units ?? 0) + 1,
        cents: Math.max(cents, before?.cents ?? 0),
        tag: before && before.cents >= cents ? before.tag : unit.tag,
      };
    }
  }
  return lacking;
}
