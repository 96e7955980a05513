import type { Unit } from '@/core/bench/entities';
import type { ModelPart } from '@/core/procedure/parts';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { priceOfPart, worthToday, type Market } from '@/core/teardown/worth/partWorth';
import type { KnownYield } from './knownYields';

/** Builds that wait for a part of a class that nobody has. */
export interface Lack {
  readonly units: number;
  /** What the one that gains most would leave with it, in cents. */
  readonly cents: number;
  /** Its tag. */
  readonly tag: string;
}

/** What the shop knows when a unit of one model is valued. */
export interface Knowledge {
  /** Best grade on the shelf by interchange class. */
  readonly shelf: Readonly<Record<string, { readonly grade: SaleGrade; readonly count: number }>>;
  /** Yields of this model's parts so far; a part that is not listed was never sought. */
  readonly yields: Readonly<Record<string, KnownYield>>;
  /** The same from units on which something was found. */
  readonly yieldsGiven: Readonly<Partial<Record<Finding, Readonly<Record<string, KnownYield>>>>>;
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
  readonly known: Omit<Knowledge, 'yields' | 'yieldsGiven'>;
  /** By model. */
  readonly yields: Readonly<Record<string, Knowledge['yields']>>;
  readonly yieldsGiven: Readonly<Record<string, Knowledge['yieldsGiven']>>;
}

/** All that is known when a unit of one model is valued. */
export const knowledgeFor = ({ known, yields, yieldsGiven }: ShopKnowledge, modelId: string): Knowledge => ({
  ...known,
  yields: yields[modelId] ?? {},
  yieldsGiven: yieldsGiven[modelId] ?? {},
});

/** What is known of a unit that is to be valued. */
export type Subject = Pick<Unit, 'revision' | 'configuration' | 'variant' | 'marks' | 'tests'> & {
  /** Its serial was reported lost. */
  readonly isReportedLost?: boolean;
};

/** How a part comes out of a unit with these marks: of all that was found, what leaves the least of it counts. */
export function yieldOf(part: string, { marks }: Pick<Subject, 'marks'>, known: Knowledge): KnownYield {
  const general = known.yields[part] ?? known.unseen;
  return marks.reduce((least, { kind }) => {
    const given = known.yieldsGiven[kind]?.[part];
    return given && given.share < least.share ? given : least;
  }, general);
}

/** What one more sound part brings today: as the shelf and its use have it, or what a build that waits for it would leave. */
export function partBrings(part: ModelPart, known: Knowledge, rules: HouseRules): number {
  const price = priceOfPart(part, rules.gradeMix);
  if (price === undefined) return 0;
  const usual = worthToday(price, known.market[part.interchange] ?? { stock: 0, usedPerMonth: null }, rules);
  return Math.max(usual, known.lacking[part.interchange]?.cents ?? 0);
}
