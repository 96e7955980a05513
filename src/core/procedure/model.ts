import type { SaleGrade } from '@/core/shared/grades';
import type { Face } from './faces';
import type { Joint } from './joints';
import type { Operation } from './operations';
import type { ModelPart } from './parts';
import type { DeviceKind, DeviceTest, ToolKind } from './vocabulary';

export const modelFormat = 'plucky-parcel/model@2';

/**
 * A model document: how one model of device comes apart and goes back together.
 * The published JSON Schema is docs/formats/model.schema.json; lengths are millimetres on the named face, origin at its
 * upper left; money is integer cents; times are minutes. What is optional may be left out: a small model stays small.
 */
export interface Model {
  readonly format: typeof modelFormat;
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
  /** What a test runs through, where that is more or less than its kind says (`testPaths.ts`). */
  readonly testNeeds?: readonly TestNeed[];
  /** A pack or supply that powers the unit for a test in place of its battery. */
  readonly testPack?: { readonly name: string; readonly joint: string };
  readonly proofOfOff: string;
  /** What to do when it cannot be switched off: dead display, dead key, dead board. */
  readonly offWhenDead?: string;
  /** How the built-in battery is disabled in firmware, while the unit still starts. */
  readonly firmwareOff?: string;
  readonly postures?: readonly Posture[];
  /** What the tools are, where the rules about zones need to know. */
  readonly tools?: readonly { readonly name: string; readonly kind: ToolKind }[];
  readonly faces: readonly Face[];
  readonly parts: readonly ModelPart[];
  readonly joints: readonly Joint[];
  readonly operations: readonly Operation[];
}

/** Parts that must be in and joints that must be shut for a test. */
export interface TestNeed {
  readonly test: DeviceTest;
  readonly parts?: readonly string[];
  readonly joints?: readonly string[];
}

/** How the unit is held open. An operation names it by its name. */
export interface Posture {
  readonly name: string;
  readonly minutes: number;
  /** Parts that must still be in for it. */
  readonly needsParts?: readonly string[];
  /** Joints that must be open for it. */
  readonly needsOpen?: readonly string[];
}

/** Whatever says which version of which model it is of. */
export interface OfModel {
  readonly modelId: string | null;
  readonly modelVersion: number | null;
}

/** The very model version that something is of; undefined when it is not among these, or nobody has said yet. */
export const modelAmong = (models: readonly Model[], of: OfModel | undefined): Model | undefined =>
  models.find(({ id, version }) => id === of?.modelId && version === of?.modelVersion);

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
