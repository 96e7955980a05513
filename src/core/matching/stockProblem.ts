import { matchProblemFormat, type MatchProblem } from '@/core/matchPlan/problem';
import { fixtureKinds, type HouseRules } from '@/core/shared/houseRules';
import type { StockGround } from './stockGround';
import { certified, hands } from './waysToBuild';

/** What a lead says beside: how long, how many minutes, what was ordered, what may be bought when. */
export interface MatchTerms extends Pick<MatchProblem, 'horizonDays' | 'orders' | 'wishes' | 'slotWishes'> {
  /** Minutes of anybody, and of certified people, until the horizon; null where they never run out. */
  readonly handsMinutes: number | null;
  readonly certifiedMinutes: number | null;
  /** How long what is bought takes. */
  readonly purchaseDays: number;
  /** Whatever was accepted before. */
  readonly isAnew: boolean;
}

export const plainTerms: MatchTerms = {
  horizonDays: 7,
  orders: [],
  wishes: [],
  slotWishes: [],
  handsMinutes: null,
  certifiedMinutes: null,
  purchaseDays: 4,
  isAnew: false,
};

/** Hours of a day in which somebody is there to put something on a fixture. */
const fixtureHours = 8;

/** The match problem of a stock, with what is wished of the plan. */
export function stockProblem(
  { keeps, units, lots, offers, falls, reserves }: StockGround,
  terms: MatchTerms,
  { fixtures }: Pick<HouseRules, 'fixtures'>,
): MatchProblem {
  const { handsMinutes, certifiedMinutes, purchaseDays: _, isAnew, ...wished } = terms;
  return {
    format: matchProblemFormat,
    resources: [
      ...(handsMinutes === null ? [] : [{ id: hands, minutes: handsMinutes }]),
      ...(certifiedMinutes === null ? [] : [{ id: certified, minutes: certifiedMinutes }]),
      ...fixtureKinds.flatMap((id) => {
        const count = fixtures[id];
        return count === null ? [] : [{ id, minutes: count * terms.horizonDays * fixtureHours * 60 }];
      }),
    ],
    ...{ units, lots, offers, falls, reserves },
    ...wished,
    ...(!isAnew && keeps.fates.length + keeps.parts.length > 0 && { keeps }),
  };
}
