import type { SaleGrade } from '@/core/shared/grades';
import type { Minutes } from './operations';
import type { HazardKind, PartCategory, PowerReach, SlotKind } from './vocabulary';

/** A part that sits on an assembly and is moved to the one that replaces it. */
export interface Transfer {
  readonly part: string;
  /** As it stands at the bench; made of the part's name when left out. */
  readonly title?: string;
  readonly detail?: string;
  readonly tool: string;
  readonly minutes: Minutes;
  /** Its own joints on the assembly: opened on the old one, closed on the new one. */
  readonly joints?: readonly string[];
  /** Chance of breaking it on the way. */
  readonly breakage?: number;
}

export interface ModelPart {
  readonly id: string;
  readonly name: string;
  readonly aliases: readonly string[];
  readonly category: PartCategory;
  /** Parts of one class fit each other's places, across models too. */
  readonly interchange: string;
  /** Present when a rebuilt unit needs it; cosmetic slots set the sale grade, functional ones must be sound. */
  readonly slot?: SlotKind;
  readonly valueCents?: Readonly<Record<SaleGrade, number>>;
  readonly ratedAmpHours?: number;
  /** What the label of a cell for this place says; it is charged to `limitVolt` here. */
  readonly cell?: { readonly type: string; readonly volt: number; readonly limitVolt: number };
  readonly singleUse?: boolean;
  /** The question whose yes lets a single-use part be used again. */
  readonly reusableIf?: string;
  /** Carries personal data: wiped or destroyed, never sold as it is. */
  readonly data?: boolean;
  readonly handling?: string;
  /** What is fused into this one part. */
  readonly assembly?: readonly string[];
  /** What moves over to the replacement of an assembly; an empty list says that nothing does. */
  readonly transfers?: readonly Transfer[];
  /** Variants it is made for (colour, region); all when left out. */
  readonly variants?: readonly string[];
  /** Its partner: each works only with the other and is worth nothing alone. */
  readonly boundTo?: string;
  readonly hazard?: { readonly kind: HazardKind; readonly because: string };
  /** A cell may not get hotter than this. */
  readonly heatLimitCelsius?: number;
  /** A source of current. A battery is the main one without saying so. */
  readonly power?: 'main' | 'second';
  /** How far “power first” goes for a second source; everything when left out. */
  readonly powerReach?: PowerReach;
  /** Parts that cannot move while this one is in: a tray, stylus or card that reaches into their way. */
  readonly standsThrough?: readonly string[];
  /** Why it seldom survives removal: it is taken out only when it is bad already. */
  readonly seldomSurvives?: string;
}
