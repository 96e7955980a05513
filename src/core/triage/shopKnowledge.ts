import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import type { Knowledge, ShopKnowledge } from './knowledge';
import { knownTests, knownUnseen, knownYields, knownYieldsGiven } from './knownYields';
import { knownLooks, type LookGround } from './knownLooks';
import { lackingParts } from './lackingParts';

/** What the log and the shelf say, as counted: what proposals hang on is worked out from it. */
export interface KnowledgeGround {
  readonly outcomes: Parameters<typeof knownYields>[0];
  readonly outcomesGiven: Parameters<typeof knownYieldsGiven>[0];
  readonly tests: Parameters<typeof knownTests>[0];
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
  const yields = knownYields(ground.outcomes);
  const common = {
    shelf,
    market,
    unseen: knownUnseen(ground.outcomes),
    tests: knownTests(ground.tests),
    looks: knownLooks(ground.looks),
  };
  const lacking = lackingParts(ground.waiting, { ...common, yields: {}, yieldsGiven: {}, resistances: [] }, rules);
  return {
    known: { ...common, lacking },
    looks: knownLooks(ground.looks),
    yields,
    yieldsGiven: knownYieldsGiven(ground.outcomesGiven, ground.outcomes),
    resistances: ground.resistances,
  };
}
