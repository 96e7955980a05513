import type { Readings } from '@/core/grading/rules';
import type { DeviceTest, Finding, TestResult } from '@/core/procedure/vocabulary';
import type { CostRule } from '@/core/shared/costRule';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import type { TorqueReading } from '@/core/screws/torqueState';
import type { ScrewKeeping } from '@/core/shared/houseRules';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import type {
  Entities,
  EntityKind,
  Mark,
  ParcelLine,
  PartTrouble,
  Resistance,
  ScrewTrouble,
  UnitPhoto,
} from './entities';
import type { ApartPlace, Disposition, LetGoCause, PartState, ReplanCause, SkipCause, WipeMethod } from './stages';

/** A part that came free in a step. The tag is given out by the server when it takes the fact in. */
export interface FreedPart {
  readonly partId: string;
  readonly partRef: string;
  readonly state: PartState;
  readonly tag?: string;
}

/** A grade as it was given, with what limited it and by which rules. */
export interface GradeVerdict {
  readonly grade: Grade;
  readonly limiting: string;
  readonly rules: number;
}

/** What a choice was expected to bring when it was weighed, with the ends of its middle 80 %. */
export interface Weighed {
  readonly disposition: Disposition;
  readonly cents: number;
  readonly lowCents: number;
  readonly highCents: number;
}

/** Everything that can happen, with what each fact says. */
export interface Payloads {
  'parcel-made': {
    readonly code: string;
    readonly supplier: string;
    readonly pricePaidCents: number;
    readonly transportCents: number;
    readonly receivedOn: string;
  };
  'lines-expected': {
    readonly fileName: string;
    readonly lines: readonly Pick<ParcelLine, 'lineNo' | 'maker' | 'model' | 'serial' | 'note'>[];
  };
  'cost-spread': { readonly rule: CostRule };
  'parcel-counted': { readonly isCounted: boolean };
  'unit-tagged': { readonly parcelId: string; readonly lineNo: number | null; readonly tag?: string };
  'unit-identified': {
    readonly modelId: string;
    readonly modelVersion: number;
    readonly revision: string;
    readonly configuration: string;
    readonly variant: string;
    readonly serial: string;
  };
  'mark-placed': { readonly mark: Mark };
  'photo-taken': { readonly photo: UnitPhoto };
  'test-noted': { readonly test: DeviceTest; readonly result: TestResult };
  'wipe-recorded': { readonly method: WipeMethod };
  'unit-decided': {
    readonly disposition: Disposition;
    readonly proposed: Disposition;
    readonly apartPlace: ApartPlace | null;
    /** What each choice was expected to bring, so that the proposal can be held to it. */
    readonly weighed?: readonly Weighed[];
  };
  /** At the bench something is too dangerous to go on with: the whole unit goes to the fire-safe place. */
  'unit-set-apart': { readonly place: Extract<ApartPlace, 'hazard'> };
  /** A unit that was kept apart leaves its place: back to triage, or for good. */
  'unit-let-go': { readonly because: LetGoCause };
  'sheet-started': { readonly kind: SheetKind; readonly targets: readonly string[]; readonly keeping: ScrewKeeping };
  /** The sheet from here on, planned anew: what is wanted now, all that was found, and what cannot be done. */
  'sheet-replanned': {
    readonly because: ReplanCause;
    readonly targets: readonly string[];
    readonly findings: readonly Finding[];
    readonly barred: readonly string[];
    readonly again: readonly string[];
  };
  'step-resisted': Resistance;
  'step-done': {
    readonly stepId: string;
    /** Worked on it, without breaks. */
    readonly seconds: number;
    readonly freed: readonly FreedPart[];
    /** Which of the ways in which the operation can end it was, when it was not the usual one. */
    readonly endId?: string;
    /** Breaks in between. */
    readonly awaySeconds?: number;
    /** Nobody said whether a long stretch was work or break: it took at least `seconds`, and perhaps longer. */
    readonly isCensored?: boolean;
  };
  'step-skipped': { readonly stepId: string; readonly because: SkipCause };
  /** What is attended of a step is done, and it waits on a fixture. */
  'wait-begun': {
    readonly stepId: string;
    readonly fixture: string;
    readonly place: number;
    readonly minutes: number;
  };
  /** Whether a part that is renewed as a rule came off so that it can be used again. */
  'reuse-judged': { readonly stepId: string; readonly partRef: string; readonly isReused: boolean };
  /** What the driver read at a screw on the way back; `isKept` when it is outside its limits and stays so. */
  'torque-read': TorqueReading;
  'note-written': { readonly stepId: string | null; readonly text: string };
  /** An authorised person says that work on the unit may go on. */
  'hazard-cleared': Readonly<Record<never, never>>;
  'part-trouble': PartTrouble;
  'screw-trouble': ScrewTrouble;
  'gate-judged': { readonly stepId: string; readonly hasPassed: boolean };
  'sheet-closed': { readonly because: string };
  /** The verdict is written in by the server, so that the log keeps it when the rules change. */
  'part-graded': { readonly readings: Readings; readonly verdict?: GradeVerdict };
  'part-shelved': { readonly bin: string };
  'part-scrapped': { readonly because: string };
  'part-assigned': { readonly slot: string; readonly partId: string };
  'part-released': { readonly slot: string };
  'unit-matched': Readonly<Record<never, never>>;
  'proof-noted': { readonly test: DeviceTest; readonly result: TestResult };
  'unit-proven': { readonly cosmetic: SaleGrade };
  'unit-reworked': { readonly because: string };
  'unit-sent': { readonly shipment: string; readonly recipient: string };
  undone: { readonly eventId: string };
}

export type EventType = keyof Payloads;

/** The kind of thing each fact is about; an `undone` is about whatever the taken-back fact was about. */
export const subjectKinds = {
  'parcel-made': 'parcel',
  'lines-expected': 'parcel',
  'cost-spread': 'parcel',
  'parcel-counted': 'parcel',
  'unit-tagged': 'unit',
  'unit-identified': 'unit',
  'mark-placed': 'unit',
  'photo-taken': 'unit',
  'test-noted': 'unit',
  'wipe-recorded': 'unit',
  'unit-decided': 'unit',
  'unit-set-apart': 'unit',
  'unit-let-go': 'unit',
  'sheet-started': 'unit',
  'sheet-replanned': 'unit',
  'step-resisted': 'unit',
  'step-done': 'unit',
  'step-skipped': 'unit',
  'wait-begun': 'unit',
  'torque-read': 'unit',
  'reuse-judged': 'unit',
  'note-written': 'unit',
  'hazard-cleared': 'unit',
  'part-trouble': 'unit',
  'screw-trouble': 'unit',
  'gate-judged': 'unit',
  'sheet-closed': 'unit',
  'part-graded': 'part',
  'part-shelved': 'part',
  'part-scrapped': 'part',
  'part-assigned': 'unit',
  'part-released': 'unit',
  'unit-matched': 'unit',
  'proof-noted': 'unit',
  'unit-proven': 'unit',
  'unit-reworked': 'unit',
  'unit-sent': 'unit',
  undone: null,
} as const satisfies Record<EventType, EntityKind | null>;

export const eventTypes = Object.keys(subjectKinds) as readonly EventType[];

/** A fact as the bench makes it. */
export interface BenchEvent<T extends EventType = EventType> {
  /** Made by the client (UUID); sending a fact twice changes nothing. */
  readonly id: string;
  readonly type: T;
  readonly subjectId: string;
  /** The version of the subject that the person saw; null when the fact makes the subject. */
  readonly expects: number | null;
  /** When it happened by the bench's clock, ISO in UTC. */
  readonly at: string;
  readonly payload: Payloads[T];
}

/** What an entity was before a fact, so that taking it back restores exactly that. */
export interface Touched<K extends EntityKind = EntityKind> {
  readonly kind: K;
  readonly id: string;
  readonly before: Entities[K] | null;
}

/** A fact in the log. Positions have no gaps. */
export interface RecordedEvent extends BenchEvent {
  readonly position: number;
  readonly personId: string;
  readonly bench: string;
  readonly receivedAt: string;
  readonly touched: readonly Touched[];
}
