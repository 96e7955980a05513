import type { Unit } from '@/core/entities/entities';
import type { ModelPart } from '@/core/procedure/parts';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import { hitsOf } from '@/core/findings/hits';
import type { Found } from '@/core/findings/mark';
import { cappedMix } from '@/core/findings/partHarm';
import { findingRules } from '@/core/findings/rules';
import type { Model } from '@/core/procedure/model';
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
export type Subject = Pick<Unit, 'revision' | 'configuration' | 'variant' | 'marks' | 'tests'> &
  Partial<Pick<Unit, 'found'>> & {
    /** Its serial was reported lost. */
    readonly isReportedLost?: boolean;
  };

/**
 * How a part comes out of a unit on which this was found: by what the log knows of this model with the finding, else by
 * what is known of it in general and our estimate of the finding. Of all that was found, what leaves the least counts.
 */
export function yieldOf(model: Model, part: ModelPart, unit: Found, known: Knowledge): KnownYield {
  const general = known.yields[part.id] ?? known.unseen;
  return hitsOf(model, part, unit).reduce((least, { finding }) => {
    const odds = findingRules[finding].odds[part.category] ?? 1;
    const given = known.yieldsGiven[finding]?.[part.id] ?? scaled(general, odds);
    return given.share < least.share ? given : least;
  }, general);
}

const scaled = ({ share, low, high }: KnownYield, factor: number): KnownYield => ({
  share: share * factor,
  low: low * factor,
  high: high * factor,
});

/** What one more sound part brings today: as the shelf and its use have it, or what a build that waits for it would leave. */
export function partBrings(part: ModelPart, known: Knowledge, rules: HouseRules, cap?: Grade): number {
  const price = priceOfPart(part, cappedMix(rules.gradeMix, cap));
  if (price === undefined) return 0;
  const usual = worthToday(price, known.market[part.interchange] ?? { stock: 0, usedPerMonth: null }, rules);
  return Math.max(usual, known.lacking[part.interchange]?.cents ?? 0);
}
