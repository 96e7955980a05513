import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { grouped } from '@/core/shared/grouped';
import { alikeParcels } from '@/core/yields/byParcel';
import type { ParcelOutcome } from '@/core/yields/parcelOutcomes';
import type { Knowledge, ShopKnowledge } from './knowledge';
import {
  knownParts,
  knownTests,
  startingTests,
  type KnownParts,
  type OutcomeGiven,
  type TestCount,
} from './knownYields';
import { knownLooks, marksByParcel, type LookGround } from './knownLooks';
import { lackingParts } from './lackingParts';

/** What was counted of parts and units: shares are learnt from it. */
export interface ShopCounts {
  readonly outcomes: readonly ParcelOutcome[];
  readonly outcomesGiven: readonly OutcomeGiven[];
  readonly tests: readonly TestCount[];
  readonly looks: LookGround;
}

/** What these counts teach. */
export interface Learnt {
  readonly parts: KnownParts;
  readonly tests: ShopKnowledge['known']['tests'];
  readonly looks: ShopKnowledge['looks'];
  /** So many trials the own share of a parcel's units is worth about the shop's. */
  readonly unitsAlike: number;
}

/** What the log and the shelf say, as counted: what proposals hang on is worked out from it. */
export interface KnowledgeGround extends ShopCounts {
  /** What the counts teach, where that is worked out already. */
  readonly learnt?: Learnt;
  /** How joints have resisted, by model. */
  readonly resistances: Readonly<Record<string, Knowledge['resistances']>>;
  readonly shelf: Knowledge['shelf'];
  readonly market: Knowledge['market'];
  /** Units at Match, which wait for parts. */
  readonly waiting: readonly { readonly unit: Unit; readonly model: Model }[];
}

/** Shares with all that is uncertain about them. Cost: some tenths of a second for ten thousands of counts. */
export function learn(counts: ShopCounts): Learnt {
  const unitsAlike = alikeUnits(counts);
  return {
    parts: knownParts(counts.outcomes, counts.outcomesGiven),
    tests: knownTests(counts.tests, unitsAlike),
    looks: knownLooks(counts.looks, unitsAlike),
    unitsAlike,
  };
}

/** What the shop knows that proposals hang on: yields, quick tests, stock and its use, and what builds wait for. */
export function shopKnowledge(ground: KnowledgeGround, rules: HouseRules): ShopKnowledge {
  const { shelf, market } = ground;
  const { parts, tests, looks, unitsAlike } = ground.learnt ?? learn(ground);
  const { yields, yieldsGiven, unseen, alike } = parts;
  const common = { shelf, market, unseen, tests };
  const lacking = lackingParts(ground.waiting, { ...common, yields: {}, yieldsGiven: {}, resistances: [] }, rules);
  return {
    known: { ...common, lacking },
    looks,
    yields,
    yieldsGiven,
    resistances: ground.resistances,
    alike: { units: unitsAlike, parts: alike },
  };
}

/** How far the units of one parcel stray from the shop's, in what works and in what is found on them. */
function alikeUnits({ tests, looks }: Pick<ShopCounts, 'tests' | 'looks'>): number {
  const prior = { share: startingTests.good / startingTests.sought, weight: startingTests.sought };
  return alikeParcels([
    ...[...grouped(tests, ({ test }) => test).values()].map((counts) => ({ counts, prior })),
    ...marksByParcel(looks).values(),
  ]);
}
