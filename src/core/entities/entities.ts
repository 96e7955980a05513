import type { Hit } from '@/core/findings/hits';
import type { Mark } from '@/core/findings/mark';
import type { CostRule } from '@/core/shared/costRule';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import type { Brought } from '@/core/procedure/transfers';
import type { DeviceTest, Finding, PartCategory, TestResult } from '@/core/procedure/vocabulary';
import type { Readings, Reuse } from '@/core/grading/attributes';
import type { Conditioning } from '@/core/battery/conditioning';
import type { CellRecord, WayFreed } from '@/core/battery/cellRecord';
import type { PlusMinus } from '@/core/grading/doubt';
import type { ScrewKeeping, SheetRules } from '@/core/shared/houseRules';
import type { TorqueReading } from '@/core/screws/torqueState';
import type { KeptStep } from '@/core/teardown/sheet/keptSteps';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import type {
  ApartPlace,
  DefectCode,
  Disposition,
  PartPlace,
  PartState,
  ReplanCause,
  ScrewTroubleKind,
  SkipCause,
  UnitStage,
} from './stages';

/** What every entity carries: a version that refuses stale writes, and the last fact that touched it. */
interface Versioned {
  readonly version: number;
  readonly lastFactId: string;
}

export interface Parcel extends Versioned {
  readonly id: string;
  readonly code: string;
  readonly supplier: string;
  readonly pricePaidCents: number;
  readonly transportCents: number;
  /** ISO date. */
  readonly receivedOn: string;
  readonly lineCount: number;
  /** How what was paid is spread over the units. */
  readonly costRule: CostRule;
  /** The box is empty: what has no tag now did not come. */
  readonly isCounted: boolean;
}

/** A line of the supplier's expected list. */
export interface ParcelLine extends Versioned {
  /** `PARCEL/LINE`. */
  readonly id: string;
  readonly parcelId: string;
  readonly lineNo: number;
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly note: string;
}

/** A picture of a unit; where it shows a marked place, that too. The picture itself is kept beside the log. */
export interface UnitPhoto {
  readonly id: string;
  readonly face: string | null;
  readonly field: number | null;
  /** The step of the model that it was taken at: its way back shows it again. */
  readonly operationId?: string;
}

export interface PartTrouble {
  readonly stepId: string;
  readonly partRef: string;
  readonly state: Extract<PartState, 'broken-by-us' | 'broken-before' | 'missing' | 'suspect'>;
  readonly defectCode: DefectCode | null;
}

export interface ScrewTrouble {
  readonly stepId: string;
  readonly kind: ScrewTroubleKind;
  readonly count: number;
}

/**
 * A joint that did not yield: the rung of its ladder that is tried now, from 1, and the seconds spent before it. Handed over to
 * more practised hands it stays at the way it was tried (0: the usual one).
 */
export interface Resistance {
  readonly stepId: string;
  readonly rung: number;
  readonly seconds: number;
  readonly isHandedOver?: true;
}

/** A step that was passed over, and why. */
export interface Skipped {
  readonly stepId: string;
  readonly because: SkipCause;
}

/** Unattended time that runs: on which fixture, since when by the clock of the bench that began it. */
export interface Timer {
  readonly stepId: string;
  readonly fixture: string;
  /** Which of the shop's fixtures of that kind, from 1. */
  readonly place: number;
  /** ISO in UTC. */
  readonly beganAt: string;
  readonly minutes: number;
}

/** How far a run sheet has come. The steps themselves are computed from the model and these. */
export interface SheetState {
  readonly kind: SheetKind;
  readonly targets: readonly string[];
  readonly findings: readonly Finding[];
  readonly stepIds: readonly string[];
  readonly doneStepIds: readonly string[];
  readonly partTroubles: readonly PartTrouble[];
  readonly screwTroubles: readonly ScrewTrouble[];
  readonly resistances: readonly Resistance[];
  readonly keeping: ScrewKeeping;
  /** The house rules it was started with: a change of them does not change a sheet under way. */
  readonly rules: SheetRules;
  /** The steps that were done when the sheet was last planned anew. */
  readonly kept: readonly KeptStep[];
  /** Operations that did not yield, or were found impossible. */
  readonly barred: readonly string[];
  /** Targets that come out once more. */
  readonly again: readonly string[];
  /** Steps of the way out that are done once more, to look at what a failed gate may be down to. */
  readonly redo?: readonly string[];
  readonly skipped: readonly Skipped[];
  /** What comes on the assemblies that were set aside for the unit: it need not be moved to them. */
  readonly brought?: readonly Brought[];
  /** Single-use parts that came off whole and go back: nothing renews them. */
  readonly reused: readonly string[];
  readonly torques: readonly TorqueReading[];
  /** Until when solvent is in the air and nothing may be heated, ISO in UTC. */
  readonly heatLockedUntil: string | null;
  /** Something dangerous was found: nothing goes on until an authorised person says that it is safe. */
  readonly isHalted: boolean;
  readonly isClosed: boolean;
}

export interface Unit extends Versioned {
  readonly id: string;
  readonly tag: string;
  readonly parcelId: string;
  readonly lineNo: number | null;
  readonly stage: UnitStage;
  readonly modelId: string | null;
  readonly modelVersion: number | null;
  readonly revision: string | null;
  readonly configuration: string | null;
  readonly variant: string | null;
  readonly serial: string | null;
  readonly marks: readonly Mark[];
  /** What came to light at the bench: it has no place on a face. */
  readonly found: readonly Finding[];
  readonly photos: readonly UnitPhoto[];
  readonly tests: Readonly<Partial<Record<DeviceTest, TestResult>>>;
  readonly disposition: Disposition | null;
  readonly apartPlace: ApartPlace | null;
  readonly isWiped: boolean;
  /** The owner has agreed: a report that its serial is lost holds it no longer. */
  readonly isOwnershipSettled: boolean;
  readonly sheet: SheetState | null;
  readonly timer: Timer | null;
  /** Slot → part id. */
  readonly assigned: Readonly<Record<string, string>>;
  readonly fitted: Readonly<Record<string, string>>;
  /** Of a donor: tags of the units that get its parts, by the parts. */
  readonly promised: Readonly<Record<string, string>>;
  readonly proof: Readonly<Partial<Record<DeviceTest, TestResult>>>;
  readonly saleGrade: SaleGrade | null;
  readonly shipment: string | null;
}

export const boughtConditions = ['new', 'used'] as const;

/** Where a part came from that was harvested from no unit here. */
export interface Bought {
  readonly condition: (typeof boughtConditions)[number];
  readonly supplier: string;
  /** Paid for it. */
  readonly cents: number;
  /** Day on which it was booked in. */
  readonly on: string;
  /** Last day of its warranty. */
  readonly warrantyUntil: string | null;
}

export interface Part extends Versioned {
  readonly id: string;
  readonly tag: string;
  readonly partRef: string;
  readonly modelId: string;
  readonly category: PartCategory;
  readonly interchange: string;
  /** The unit that it came out of; of a bought part, which came out of none, its own id. */
  readonly unitId: string;
  /** Present on a part that was bought. */
  readonly bought?: Bought;
  readonly state: PartState;
  readonly place: PartPlace;
  readonly readings: Readings;
  /** What instruments said of the spread of their readings. */
  readonly plusMinus?: PlusMinus;
  /** Present on a cell of which more is known than its readings. */
  readonly cell?: CellRecord;
  /** Present on a cell that is charged and run down by itself, also when that is over and nobody took it off yet. */
  readonly conditioning?: Conditioning;
  /** What somebody made of it who did not know its grade. */
  readonly secondLook?: GradeVerdict;
  /** Present on a part that its model says is used once. */
  readonly reuse?: Reuse;
  readonly grade: Grade | null;
  readonly limiting: string | null;
  /** Also of a part that was set aside for a unit, until somebody fetched it. */
  readonly bin: string | null;
  readonly assignedTo: string | null;
  /**
   * For whom or what it is kept: present on a reserved part, and on one that was promised before it came out. A unit's tag lets that
   * unit have it.
   */
  readonly reservedFor?: string;
  /** Since when it lies on the shelf, ISO in UTC; of a cell, since it was last topped up there. */
  readonly storedAt?: string;
  /** False for a part with personal data from a unit that was not wiped. */
  readonly isDataCleared: boolean;
  /** Parts of an assembly's transfer list that are still on it, by their ids in the model; absent on what an older page kept. */
  readonly carries?: readonly string[];
  /** What had been found in its unit and concerns it. */
  readonly findings: readonly Hit[];
}

/** What is still on a part that is an assembly. */
export const carriedBy = ({ carries = [] }: Pick<Part, 'carries'>): readonly string[] => carries;

/** The kinds of things that facts change, and their shapes. */
export interface Entities {
  readonly parcel: Parcel;
  readonly line: ParcelLine;
  readonly unit: Unit;
  readonly part: Part;
}
export type EntityKind = keyof Entities;

/** A part that came free in a step. The tag is given out by the server when it takes the fact in. */
export interface FreedPart {
  readonly partId: string;
  readonly partRef: string;
  readonly state: PartState;
  readonly tag?: string;
  /** What was still on it; noted by the server, so that the log tells it whatever the model says later. */
  readonly carries?: readonly string[];
  /** How a cell was freed, where its step tells; noted by the server as well. */
  readonly freedBy?: WayFreed;
}

/** A grade as it was given, with what limited it; its fact says by which rules. */
export interface GradeVerdict {
  readonly grade: Grade;
  readonly limiting: string;
}

/** What a choice was expected to bring when it was weighed, with the ends of its middle 80 %. */
export interface Weighed {
  readonly disposition: Disposition;
  readonly cents: number;
  readonly lowCents: number;
  readonly highCents: number;
}

/** How a sheet goes on when it is planned anew: what is wanted now, all that was found, and what cannot be done. */
export interface Replanning {
  readonly because: ReplanCause;
  readonly targets: readonly string[];
  readonly findings: readonly Finding[];
  readonly barred: readonly string[];
  readonly again: readonly string[];
}
