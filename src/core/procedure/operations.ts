import type { Wording } from '@/core/shared/message';
import type { Point } from './faces';
import type {
  ArcReason,
  CueKind,
  DeviceTest,
  Finding,
  Hand,
  HeatMaterial,
  HeatSource,
  Motion,
  TestResult,
} from './vocabulary';

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
  /** Only for a unit whose quick test came out so: another way for one that does not start. */
  readonly tests?: readonly { readonly test: DeviceTest; readonly result: Exclude<TestResult, 'not-tested'> }[];
  /** Only after an operation that ended in this way. */
  readonly ends?: readonly { readonly operation: string; readonly end: string }[];
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
  /** What hands do before it begins: turn the clamp, trim while it is soft. Not for the first wait of a step. */
  readonly first?: Moment;
}

/** An attended moment between two waits. */
export interface Moment {
  readonly does: string;
  readonly minutes: Minutes;
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
  /** What this rung is done with, where that is not the step's own tool. */
  readonly tool?: string;
  readonly heat?: Heat;
  readonly solvent?: Solvent;
}

export interface Solvent {
  readonly name: string;
  readonly ventilateMinutes: number;
}

/** How warm the surface gets, and what lies below it. */
export interface Heat {
  readonly source: HeatSource;
  readonly celsius: number;
  /** At which the adhesive gives. */
  readonly softCelsius?: number;
  /** From the outside in, with one layer of adhesive; the cell, where there is one, is the innermost. */
  readonly layers?: readonly HeatLayer[];
  /** How the heater is set for that: its own dial, how far off it is held, and for how long. */
  readonly setting?: { readonly dialCelsius?: number; readonly distanceMm?: number; readonly minutes?: number };
}

export interface HeatLayer {
  readonly material: HeatMaterial;
  readonly mm: number;
  /** The part that this layer is: once it is out, the layer is gone. */
  readonly part?: string;
}

export interface Hold extends Point {
  readonly where: string;
  readonly hand?: Hand;
}

export interface Cue {
  readonly kind: CueKind;
  readonly says: string;
  readonly needs?: string;
}

/** What hands do at one step, on the way out or on the way back. Nothing of one is taken for the other. */
export interface Handwork {
  readonly tool: string;
  /** A second tool that is used together with it. */
  readonly withTool?: string;
  readonly posture?: string;
  /** What is laid out, peeled or cleaned first. */
  readonly prepare?: readonly string[];
  readonly motion?: PartMotion;
  readonly hold?: Hold;
  /** Where the tip of a prying tool is set. */
  readonly tip?: Point;
  readonly seam?: readonly SeamSegment[];
  readonly heat?: Heat;
  readonly solvent?: Solvent;
  readonly cues?: readonly Cue[];
  /** Unattended time, one after the other, with what hands do between them. */
  readonly waits?: readonly Wait[];
  /** What a second person's hand does. */
  readonly helper?: string;
  readonly needsCertificate?: boolean;
}

export interface Operation extends Handwork {
  readonly id: string;
  /** Verb and thing, as it stands large at the bench. */
  readonly title: string;
  readonly detail: string;
  readonly face: string;
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
  /** Takes the built-in sources off without opening anything: in firmware, by a switch. */
  readonly cutsPower?: boolean;
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
  /** Parts that block the motion while they are in. */
  readonly blockedBy?: readonly string[];
  /** Opens so far until something is off. */
  readonly limit?: {
    readonly mm?: number;
    readonly degrees?: number;
    readonly because: string;
    readonly until?: string;
  };
  readonly cautions: readonly Caution[];
  readonly ends?: readonly OperationEnd[];
  readonly ladder?: { readonly rungs: readonly Rung[]; readonly stop: string };
  readonly risks?: readonly { readonly part: string; readonly chance: number; readonly what: string }[];
  readonly skill?: string;
  /** How it goes back; null when nothing of it is done on the way back. */
  readonly back: WayBack | null;
}

export interface WayBack extends Handwork {
  readonly title: string;
  readonly detail: string;
  readonly minutes: Minutes;
  readonly consumables: readonly Consumable[];
  /** Adhesive or single-use: the gate comes before it. */
  readonly seals?: boolean;
  readonly cautions?: readonly Caution[];
  /** Operations whose way back is done before this one, where that is not the reverse. */
  readonly after?: readonly { readonly operation: string; readonly because: string }[];
  /** Joints it closes, where they are not those that were opened. */
  readonly closes?: readonly string[];
  /** Parts it places, where they are not those that were freed: what one of its ends or a step after it freed. */
  readonly places?: readonly string[];
  /** Joints that stay open: replaced, moved to another part, or not made again. */
  readonly leaves?: readonly { readonly joint: string; readonly because: string }[];
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

/** Unattended minutes of a step, over all of its waits. */
export const unattendedMinutes = ({ waits = [] }: Pick<Handwork, 'waits'>): number =>
  waits.reduce((sum, { minutes }) => sum + minutes, 0);
