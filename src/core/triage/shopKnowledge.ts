import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { grouped } from '@/core/shared/grouped';
import { alikeParcels } from '@/core/yields/byParcel';
import type { ParcelOutcome } from '@/core/yields/parcelOutcomes';
import type { Knowledge, ShopKnowledge } from './knowledge';
import { knownParts, knownTests, startingTests, type OutcomeGiven, type TestCount } from './knownYields';
import { knownLooks, marksByParcel, type LookGround } from './knownLooks';
import { lackingParts } from './lackingParts';

/** What the log and the shelf say, as counted: what proposals hang on is worked out from it. */
export interface KnowledgeGround {
  readonly outcomes: readonly ParcelOutcome[];
  readonly outcomesGiven: readonly OutcomeGiven[];
  readonly tests: readonly TestCount[];
  readonly looks: LookGround;
  /** How joints have resisted, by model. */
  readonly resistances: Readonly<Record<string, Knowledge['resistances']>>;
  readonly shelf: Knowledge['shelf'];
  readonly market: Knowledge['market'];
  /** Units at Match, which wait for parts. */
  readonly waiting: readonly { readonly unit: Unit; readonly model: Model }[];
}

/** What the shop knows that proposals hang on: yields, quick tests, stock and its use, and what builds wait for. */
export function shopKnowledge(ground: KnowledgeGround, rules: HouseRules): ShopKnowledge {
  const { shelf, market } = ground;
  const { yields, yieldsGiven, unseen, alike } = knownParts(ground.outcomes, ground.outcomesGiven);
  const unitsAlike = alikeUnits(ground);
  const common = { shelf, market, unseen, tests: knownTests(ground.tests, unitsAlike) };
  const lacking = lackingParts(ground.waiting, { ...common, yields: {}, yieldsGiven: {}, resistances: [] }, rules);
  return {
    known: { ...common, lacking },
    looks: knownLooks(ground.looks, unitsAlike),
    yields,
    yieldsGiven,
    resistances: ground.resistances,
    alike: { units: unitsAlike, parts: alike },
  };
}

/** How far the units of one parcel stray from the shop's, in what works and in what is found on them. */
function alikeUnits({ tests, looks }: Pick<KnowledgeGround, 'tests' | 'looks'>): number {
  const prior = { share: startingTests.good / startingTests.sought, weight: startingTests.sought };
  return alikeParcels([
    ...[...grouped(tests, ({ test }) => test).values()].map((counts) => ({ counts, prior })),
    ...marksByParcel(looks).values(),
  ]);
}
