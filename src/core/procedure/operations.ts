import type { Wording } from '@/core/shared/message';
import type { Point } from './faces';
import type { ArcReason, CueKind, DeviceTest, Finding, Hand, HeatMaterial, HeatSource, Motion } from './vocabulary';

export interface Arc {
  /** One of these must be done first; several arcs must all be satisfied. */
  readonly any: readonly string[];
  readonly reason: ArcReason;
  readonly because: Wording<'sheet'>;
  /** Seen in one log of a first opening only. */
  readonly isUnproven?: boolean;
}

export interface Condition {
  readonly revisions?: readonly string[];
  readonly configurations?: readonly string[];
  readonly findings?: readonly Finding[];
  readonly absentFindings?: readonly Finding[];
}

export interface Minutes {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** Unattended time on a fixture. */
export interface Wait {
  readonly minutes: number;
  readonly fixture: string;
  readonly what: Wording<'sheet'>;
}

export interface Caution {
  readonly what: string;
  readonly instead: string;
}

export interface Consumable {
  readonly name: Wording<'sheet'>;
  readonly count: number;
  readonly unitCents: number;
}

/** How a part is moved; `also` when two motions go together. */
export interface PartMotion {
  readonly kind: Motion;
  readonly towardDegrees?: number;
  readonly travelMm?: number;
  readonly turnDegrees?: number;
  readonly also?: Motion;
}

export interface SeamSegment extends Point {
  readonly toXMm: number;
  readonly toYMm: number;
  readonly depthMm: number;
  readonly angleDegrees?: number;
  /** The side to warm before this segment. */
  readonly warm?: string;
  /** A pick stays in, so that the adhesive does not set again. */
  readonly leavesPick?: boolean;
  /** A corner: last, if at all. */
  readonly isCorner?: boolean;
  /** No tool goes here. */
  readonly isForbidden?: boolean;
}

/** A way an operation can end. The chances of all of them sum to 1. */
export interface OperationEnd {
  readonly id: string;
  readonly says: string;
  readonly chance: number;
  readonly minutes?: Minutes;
  /** What follows, as the sheet says it. */
  readonly then?: string;
  /** Joints and parts that this end opens and frees beside the operation's own. */
  readonly opens?: readonly string[];
  readonly frees?: readonly string[];
  readonly debt?: Debt;
}

/** Tolerated damage, owed on the way back. */
export interface Debt {
  readonly says: Wording<'sheet'>;
  readonly minutes: number;
  readonly check: Wording<'sheet'>;
}

/** What to try when a joint will not yield. */
export interface Rung {
  readonly says: string;
  readonly minutes: number;
  /** Chance of breaking something. */
  readonly breakage: number;
  readonly consumable?: Consumable;
  /** Go no further than this on one rung. */
  readonly mostMinutes: number;
}

/** How warm the surface gets, and what lies below it. */
export interface Heat {
  readonly source: HeatSource;
  readonly celsius: number;
  /** At which the adhesive gives. */
  readonly softCelsius?: number;
  /** From the outside in, with one layer of adhesive; the cell, where there is one, is the innermost. */
  readonly layers?: readonly { readonly material: HeatMaterial; readonly mm: number }[];
}

export interface Operation {
  readonly id: string;
  /** Verb and thing, as it stands large at the bench. */
  readonly title: string;
  readonly detail: string;
  readonly face: string;
  readonly posture?: string;
  readonly tool: string;
  /** Other tools that do it, with what they do to the minutes. */
  readonly orTools?: readonly { readonly tool: string; readonly minutesFactor: number }[];
  readonly opens: readonly string[];
  /** Opened here unless an earlier operation did. */
  readonly opensIfShut?: readonly string[];
  /** Locks of ribbons, flipped or slid before the ribbon is drawn. */
  readonly unlocks?: readonly string[];
  /** Closed on the way out: a test mating, a refit. */
  readonly closes?: readonly string[];
  readonly frees: readonly string[];
  /** Parts laid back for a while. */
  readonly refits?: readonly string[];
  /** Parts that cannot be used again after this. */
  readonly destroys?: readonly string[];
  /** The operation that this one replaces, as a short cut or another way. */
  readonly insteadOf?: string;
  readonly after: readonly Arc[];
  readonly when?: Condition;
  readonly minutes: Minutes;
  readonly minutesWhen?: readonly {
    readonly findings: readonly Finding[];
    readonly minutes: Minutes;
  }[];
  /** Slower while a part stands in the way. */
  readonly slowWhile?: readonly { readonly part: string; readonly factor: number; readonly because: string }[];
  readonly motion?: PartMotion;
  /** Parts that block the motion while they are in. */
  readonly blockedBy?: readonly string[];
  readonly hold?: Point & { readonly where: string; readonly hand?: Hand };
  /** Where the tip of a prying tool is set. */
  readonly tip?: Point;
  readonly seam?: readonly SeamSegment[];
  /** Opens so far until something is off. */
  readonly limit?: {
    readonly mm?: number;
    readonly degrees?: number;
    readonly because: string;
    readonly until?: string;
  };
  readonly heat?: Heat;
  readonly solvent?: { readonly name: string; readonly ventilateMinutes: number };
  readonly cautions: readonly Caution[];
  readonly cues?: readonly { readonly kind: CueKind; readonly says: string; readonly needs?: string }[];
  readonly wait?: Wait;
  readonly ends?: readonly OperationEnd[];
  readonly ladder?: { readonly rungs: readonly Rung[]; readonly stop: string };
  readonly risks?: readonly { readonly part: string; readonly chance: number; readonly what: string }[];
  /** What a second person's hand does. */
  readonly helper?: string;
  readonly needsCertificate?: boolean;
  readonly skill?: string;
  /** How it goes back; null when nothing of it is done on the way back. */
  readonly back: WayBack | null;
}

export interface WayBack {
  readonly title: string;
  readonly detail: string;
  readonly minutes: Minutes;
  readonly consumables: readonly Consumable[];
  /** Adhesive or single-use: the gate comes before it. */
  readonly seals?: boolean;
  readonly wait?: Wait;
  /** Operations whose way back is done before this one, where that is not the reverse. */
  readonly after?: readonly { readonly operation: string; readonly because: string }[];
  /** Joints it closes, where they are not those that were opened. */
  readonly closes?: readonly string[];
  /** Joints that stay open: replaced, moved to another part, or not made again. */
  readonly leaves?: readonly { readonly joint: string; readonly because: string }[];
  /** What is made ready first: films, old glue, dry fit. */
  readonly prepare?: readonly string[];
  /** The edge it closes from, and how far off it is set down. */
  readonly start?: { readonly edge: string; readonly offsetMm: number };
  /** A check that must pass before this step. */
  readonly gate?: Gate;
}

export interface Gate {
  readonly what: string;
  readonly tests: readonly DeviceTest[];
  /** Power comes on for it; then `offAgain` says how it goes off. */
  readonly powersOn?: boolean;
  readonly offAgain?: string;
}
