import type { SaleGrade } from '@/core/shared/grades';
import type {
  ArcReason,
  DeviceKind,
  DeviceTest,
  Finding,
  JointKind,
  Motion,
  PartCategory,
  ScrewHead,
  SlotKind,
} from './vocabulary';

/**
 * A model document: how one model of device comes apart and goes back together.
 * The published JSON Schema is docs/formats/model.schema.json; lengths are millimetres on the named face, origin at its
 * upper left; money is integer cents; times are minutes.
 */
export interface Model {
  readonly format: 'plucky-parcel/model@1';
  readonly id: string;
  readonly version: number;
  readonly maker: string;
  readonly name: string;
  readonly kind: DeviceKind;
  /** Two or three letters by which it is picked at triage. */
  readonly letters: string;
  readonly aliases: readonly string[];
  readonly revisions: readonly { readonly id: string; readonly tell: string }[];
  readonly configurations: readonly {
    readonly id: string;
    readonly name: string;
    readonly absentParts: readonly string[];
  }[];
  readonly variants: readonly { readonly id: string; readonly name: string; readonly priceCents: number }[];
  readonly priceCents: Readonly<Record<SaleGrade, number>>;
  readonly tests: readonly DeviceTest[];
  readonly proofOfOff: string;
  readonly faces: readonly Face[];
  readonly parts: readonly ModelPart[];
  readonly joints: readonly Joint[];
  readonly operations: readonly Operation[];
}

export interface Face {
  readonly id: string;
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly cornerMm: number;
  readonly outlines: readonly Outline[];
  readonly keepOut: readonly KeepOut[];
}

/** A rectangle of the drawing that stands for a part or an opening. */
export interface Outline {
  readonly label: string;
  readonly part?: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface KeepOut extends Omit<Outline, 'part'> {
  readonly because: string;
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
  readonly singleUse?: boolean;
  /** Carries personal data: wiped or destroyed, never sold as it is. */
  readonly data?: boolean;
  readonly handling?: string;
}

interface JointBase {
  readonly id: string;
  readonly face: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly holds: readonly string[];
}

export interface Screw extends JointBase {
  readonly kind: 'screw';
  readonly head: ScrewHead;
  readonly lengthMm: number;
  readonly diameterMm: number;
  /** Depth to what a longer screw would hurt. */
  readonly depthMm: number;
  readonly torqueNewtonCm?: { readonly low: number; readonly aim: number; readonly high: number };
  readonly singleUse?: boolean;
}

export interface OtherJoint extends JointBase {
  readonly kind: Exclude<JointKind, 'screw'>;
}

export type Joint = Screw | OtherJoint;

export interface Arc {
  /** One of these must be done first; several arcs must all be satisfied. */
  readonly any: readonly string[];
  readonly reason: ArcReason;
  readonly because: string;
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

export interface Wait {
  readonly minutes: number;
  readonly fixture: string;
  readonly what: string;
}

export interface Caution {
  readonly what: string;
  readonly instead: string;
}

export interface Consumable {
  readonly name: string;
  readonly count: number;
  readonly unitCents: number;
}

export interface Operation {
  readonly id: string;
  /** Verb and thing, as it stands large at the bench. */
  readonly title: string;
  readonly detail: string;
  readonly face: string;
  readonly posture?: string;
  readonly tool: string;
  readonly opens: readonly string[];
  readonly frees: readonly string[];
  readonly after: readonly Arc[];
  readonly when?: Condition;
  readonly minutes: Minutes;
  readonly motion?: { readonly kind: Motion; readonly towardDegrees?: number; readonly travelMm?: number };
  readonly hold?: { readonly xMm: number; readonly yMm: number; readonly where: string };
  readonly seam?: readonly {
    readonly xMm: number;
    readonly yMm: number;
    readonly toXMm: number;
    readonly toYMm: number;
    readonly depthMm: number;
  }[];
  readonly limit?: { readonly mm: number; readonly because: string };
  readonly cautions: readonly Caution[];
  readonly wait?: Wait;
  readonly needsCertificate?: boolean;
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
}

/** @throws RangeError when the model has no such part */
export function getModelPart(model: Model, partId: string): ModelPart {
  const part = model.parts.find((candidate) => candidate.id === partId);
  if (!part) throw new RangeError(`getModelPart: ${model.id} has no part ${partId}`);
  return part;
}

/** Parts that a rebuilt unit of this configuration must have. */
export function slotsOf(model: Model, configurationId: string | null): readonly ModelPart[] {
  const absent = new Set(model.configurations.find(({ id }) => id === configurationId)?.absentParts ?? []);
  return model.parts.filter((part) => part.slot !== undefined && !absent.has(part.id));
}
