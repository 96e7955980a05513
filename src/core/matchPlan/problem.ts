import { saleGrades, type SaleGrade } from '@/core/shared/grades';

export const matchProblemFormat = 'plucky-parcel/match-problem@1';

/** Minutes of each thing that can run short, by its id: technicians, certified people, fixtures. */
export type Uses = Readonly<Record<string, number>>;

/** What is still on an assembly: parts by their ids in a model. */
export interface Brings {
  readonly model: string;
  readonly parts: readonly string[];
}

/** What moves to an assembly that does not bring it: its work and what may break, in cents, and its minutes. */
export interface MovedPart {
  readonly part: string;
  readonly cents: number;
  readonly uses: Uses;
}

/** A slot of a build that needs another part than the unit's own. */
export interface Need {
  readonly slot: string;
  /** Interchange class; classes of parts that are bound to each other and must come from one unit are one. */
  readonly of: string;
  /** The worst grade that will do. */
  readonly atLeast: SaleGrade;
  /** Chance that the unit is sold with it: a part of a build that fails at Prove comes out again, worth what it was. */
  readonly share: number;
  /** Of an assembly. */
  readonly moves?: { readonly model: string; readonly parts: readonly MovedPart[] };
}

/** One way to build a unit: the grade at which it then sells, and what it needs for that. */
export interface Build {
  readonly id: string;
  /** What it is sold as: units that are sold as the same share their orders and their falling prices. */
  readonly sellsAs: string;
  readonly grade: SaleGrade;
  /** Whole cents: its price less the selling costs, the work, what is renewed, and what tests may still show; not the parts. */
  readonly cents: number;
  readonly uses: Uses;
  readonly needs: readonly Need[];
}

/** A part that a donor gives. */
export interface Given {
  readonly slot: string;
  readonly of: string;
  readonly grade: SaleGrade;
  /** That it comes out sound. */
  readonly chance: number;
  /** What it brings by itself when it does. */
  readonly worthCents: number;
  /** What it costs a build that counts on it when it does not: another in its place, from where one is to be had. */
  readonly failCents: number;
  readonly brings?: Brings;
}

/** How far a donor is taken apart: what that brings when nobody needs its parts, in expected cents, and what it gives. */
export interface Level {
  readonly id: string;
  readonly cents: number;
  readonly uses: Uses;
  readonly gives: readonly Given[];
}

/** Units that are alike in all that counts here. */
export interface UnitGroup {
  readonly id: string;
  readonly tags: readonly string[];
  /** null where it cannot be. */
  readonly asIs: { readonly cents: number; readonly uses: Uses } | null;
  readonly recycle: { readonly cents: number } | null;
  readonly builds: readonly Build[];
  readonly levels: readonly Level[];
}

/** Parts on the shelf that are worth the same to everybody. */
export interface Lot {
  readonly id: string;
  readonly of: string;
  readonly grade: SaleGrade;
  readonly count: number;
  /** What one of them brings by itself. */
  readonly worthCents: number;
  readonly brings?: Brings;
  /** Tag of the unit that they are kept for: no other gets them. */
  readonly for?: string;
  /** Still on its way out of a unit: that it comes out sound, and what it costs a build that counts on it when it does not. */
  readonly coming?: { readonly chance: number; readonly failCents: number };
}

/** What can be bought. */
export interface Offer {
  readonly id: string;
  readonly of: string;
  readonly grade: SaleGrade;
  readonly cents: number;
  /** What one brings by itself, once it is there. */
  readonly worthCents: number;
  /** null where there is no end of them. */
  readonly most: number | null;
  readonly leadDays: number;
  readonly warrantyDays?: number;
}

/** Units that somebody has ordered. */
export interface Order {
  readonly id: string;
  readonly sellsAs: string;
  readonly atLeast: SaleGrade;
  readonly count: number;
  /** By when, from now; null for whenever. */
  readonly days: number | null;
  /** More than the shop's own price, for each. */
  readonly extraCents: number;
  /** What each that is missing costs. */
  readonly missCents: number;
  /** None may be missing. */
  readonly isFirm: boolean;
}

/** From so many of the same on, each one more brings so much less. Several add up. */
export interface PriceFall {
  readonly sellsAs: string;
  readonly grade: SaleGrade;
  readonly after: number;
  readonly cents: number;
}

/** Parts of a class, of a grade or better, that stay on the shelf. */
export interface Reserve {
  readonly of: string;
  readonly atLeast: SaleGrade;
  readonly count: number;
}

export const fates = ['build', 'donor', 'as-is', 'recycle', 'hold'] as const;
export type Fate = (typeof fates)[number];

/** What somebody wants of a unit, whatever it costs: its fate, or, of a build, at which grade. */
export interface Wish {
  readonly tag: string;
  readonly fate: Fate;
  readonly grade?: SaleGrade;
  readonly is: 'pinned' | 'forbidden';
}

/** The same of a slot: where its part comes from, by the id of a lot or an offer, or the tag of a donor. */
export interface SlotWish {
  readonly tag: string;
  readonly slot: string;
  readonly from: string;
  readonly is: 'pinned' | 'forbidden';
}

/**
 * What was accepted before, and is given up only for more than so much each: fates of units, and parts of donors that were promised
 * to units. It weighs which plan is chosen and is no money.
 */
export interface Keeps {
  readonly eachCents: number;
  readonly fates: readonly { readonly tag: string; readonly fate: Fate }[];
  readonly parts: readonly KeptPart[];
}

/** A part of a donor, by its slot there, that goes to a unit. */
export interface KeptPart {
  readonly from: string;
  readonly part: string;
  readonly tag: string;
}

/** Everything that the plan is made from, as plain data: docs/formats/match-problem.md. Money in whole cents. */
export interface MatchProblem {
  readonly format: typeof matchProblemFormat;
  /** What runs short: minutes of each until the horizon. */
  readonly resources: readonly { readonly id: string; readonly minutes: number }[];
  /** Days over which those minutes are spread. */
  readonly horizonDays: number;
  readonly units: readonly UnitGroup[];
  readonly lots: readonly Lot[];
  readonly offers: readonly Offer[];
  readonly orders: readonly Order[];
  readonly falls: readonly PriceFall[];
  readonly reserves: readonly Reserve[];
  readonly wishes: readonly Wish[];
  readonly slotWishes: readonly SlotWish[];
  readonly keeps?: Keeps;
}

export const rankOf = (grade: SaleGrade): number => saleGrades.indexOf(grade);

/** Where a build's part comes from. */
export type Source =
  | { readonly is: 'lot'; readonly lot: Lot }
  | { readonly is: 'offer'; readonly offer: Offer }
  | { readonly is: 'donor'; readonly given: Given };

export const partFrom = (source: Source): Pick<Lot, 'of' | 'grade' | 'brings'> =>
  source.is === 'lot' ? source.lot : source.is === 'offer' ? source.offer : source.given;

/** What has to move to a part in a slot: what it does not bring. */
export function movesTo({ moves }: Pick<Need, 'moves'>, { brings }: Pick<Lot, 'brings'>): readonly MovedPart[] {
  if (!moves) return [];
  const brought = brings?.model === moves.model ? brings.parts : [];
  return moves.parts.filter(({ part }) => !brought.includes(part));
}

/**
 * What a part from somewhere costs a build, in whole cents, on average: what it would bring by itself where the unit is sold with it, what
 * is paid for it, and what moves to it. A part of a donor comes out sound with its chance only: else another is put in its place.
 */
export function centsOf(source: Source, need: Pick<Need, 'moves' | 'share'>): number {
  const moved = movesTo(need, partFrom(source)).reduce((sum, { cents }) => sum + cents, 0);
  if (source.is === 'lot') {
    const { worthCents, coming = { chance: 1, failCents: 0 } } = source.lot;
    return Math.round(need.share * coming.chance * worthCents + (1 - coming.chance) * coming.failCents + moved);
  }
  if (source.is === 'offer') return Math.round(source.offer.cents - (1 - need.share) * source.offer.worthCents + moved);
  const { chance, worthCents, failCents } = source.given;
  return Math.round(need.share * chance * worthCents + (1 - chance) * failCents + moved);
}

/** The days by which something is ordered, the soonest first, and the end of the horizon. */
export function deadlinesOf({ orders, horizonDays }: Pick<MatchProblem, 'orders' | 'horizonDays'>): readonly number[] {
  const days = orders.flatMap((order) => (order.days !== null && order.days < horizonDays ? [order.days] : []));
  return [...new Set([...days, horizonDays])].sort((a, b) => a - b);
}
