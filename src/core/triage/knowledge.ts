import type { Unit } from '@/core/entities/entities';
import type { ModelPart } from '@/core/procedure/parts';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import type { Found } from '@/core/findings/mark';
import { cappedMix } from '@/core/findings/partHarm';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { partChance } from '@/core/teardown/worth/partChance';
import { priceOfPart, worthToday, type Market } from '@/core/teardown/worth/partWorth';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import type { KnownLooks } from './knownLooks';
import type { KnownYield } from './knownYields';

/** Builds that wait for a part of a class that nobody has. */
export interface Lack {
  readonly units: number;
  /** What the one that gains most would leave with it, in cents. */
  readonly cents: number;
  /** Its tag. */
  readonly tag: string;
}

/** The best of a class that lies on the shelf. */
export interface OnShelf {
  readonly grade: SaleGrade;
  readonly count: number;
  /** One of that grade with parts of its transfer list still on it, by their ids in its model. */
  readonly whole?: { readonly modelId: string; readonly carries: readonly string[] };
}

/** What the shop knows when a unit of one model is valued. */
export interface Knowledge {
  /** Best grade on the shelf by interchange class. */
  readonly shelf: Readonly<Record<string, OnShelf>>;
  /** Yields of this model's parts so far; a part that is not listed was never sought. */
  readonly yields: Readonly<Record<string, KnownYield>>;
  /** The same from units on which something was found. */
  readonly yieldsGiven: Readonly<Partial<Record<Finding, Readonly<Record<string, KnownYield>>>>>;
  /** How the joints of this model have resisted so far. */
  readonly resistances: readonly ResistanceCount[];
  /** What if a part came out so often? */
  readonly assumed?: { readonly part: string; readonly share: number };
  /** What to expect of a part that was never sought. */
  readonly unseen: KnownYield;
  /** By interchange class; one that is not listed has no stock. */
  readonly market: Readonly<Record<string, Market>>;
  readonly lacking: Readonly<Record<string, Lack>>;
  /** How often each quick test comes out sound where it is noted. */
  readonly tests: Readonly<Partial<Record<DeviceTest, KnownYield>>>;
}

/** The same for all models of a shop. */
export interface ShopKnowledge {
  readonly known: Omit<Knowledge, 'yields' | 'yieldsGiven' | 'resistances' | 'assumed'>;
  readonly looks: KnownLooks;
  /** By model. */
  readonly yields: Readonly<Record<string, Knowledge['yields']>>;
  readonly yieldsGiven: Readonly<Record<string, Knowledge['yieldsGiven']>>;
  readonly resistances: Readonly<Record<string, Knowledge['resistances']>>;
  /** So many trials the own share of a parcel is worth about the shop's: of its units, and of the parts in them. */
  readonly alike: { readonly units: number; readonly parts: number };
}

/** All that is known when a unit of one model is valued. */
export const knowledgeFor = (
  { known, yields, yieldsGiven, resistances }: ShopKnowledge,
  modelId: string,
): Knowledge => ({
  ...known,
  yields: yields[modelId] ?? {},
  yieldsGiven: yieldsGiven[modelId] ?? {},
  resistances: resistances[modelId] ?? [],
});

/** The same for some models only. */
export function knowledgeAmong(knowledge: ShopKnowledge, modelIds: readonly string[]): ShopKnowledge {
  const among = <T>(all: Readonly<Record<string, T>>): Readonly<Record<string, T>> =>
    Object.fromEntries(modelIds.flatMap((id) => (all[id] === undefined ? [] : [[id, all[id]]])));
  const { yields, yieldsGiven, resistances } = knowledge;
  return {
    ...knowledge,
    yields: among(yields),
    yieldsGiven: among(yieldsGiven),
    resistances: among(resistances),
  };
}

/** What is known of a unit that is to be valued. */
export type Subject = Pick<Unit, 'revision' | 'configuration' | 'variant' | 'marks' | 'tests'> &
  Partial<Pick<Unit, 'found'>> & {
    /** Its serial was reported lost. */
    readonly isReportedLost?: boolean;
  };

/** Chance of a part of a unit in this condition to come out good: the planner's (`partChance`), unless one is assumed. */
export function yieldOf(model: Model, part: ModelPart, unit: Found, known: Knowledge): KnownYield {
  const { yields, yieldsGiven, unseen, assumed } = known;
  if (assumed?.part === part.id) return { share: assumed.share, low: assumed.share, high: assumed.share };
  return partChance(model, part, unit, { shares: yields, sharesGiven: yieldsGiven, unseen });
}

/** What one more sound part brings today: as the shelf and its use have it, or what a build that waits for it would leave. */
export function partBrings(part: ModelPart, known: Knowledge, rules: HouseRules, cap?: Grade): number {
  const price = priceOfPart(part, cappedMix(rules.gradeMix, cap));
  if (price === undefined) return 0;
  const usual = worthToday(price, known.market[part.interchange] ?? { stock: 0, usedPerMonth: null }, rules);
  return Math.max(usual, known.lacking[part.interchange]?.cents ?? 0);
}
