import { modelFormat, type Model } from './model';
import type { Joint, OtherJoint, Screw } from './joints';
import type { Transfer, ModelPart } from './parts';
import type { Operation, Wait, WayBack } from './operations';

/** The format before this one: documents in it are read, and kept as they are. */
export const firstFormat = 'plucky-parcel/model@1';

interface FirstScrew extends Omit<Screw, 'drive'> {
  readonly head: string;
}
interface FirstPart extends Omit<ModelPart, 'transfers'> {
  readonly transfers?: readonly string[];
}
interface FirstWayBack extends Omit<WayBack, 'tool' | 'waits'> {
  readonly wait?: Wait;
}
interface FirstOperation extends Omit<Operation, 'waits' | 'back'> {
  readonly wait?: Wait;
  readonly back: FirstWayBack | null;
}

/** A document as `model@1` had it. */
export interface FirstModel extends Omit<Model, 'format' | 'parts' | 'joints' | 'operations'> {
  readonly format: typeof firstFormat;
  readonly parts: readonly FirstPart[];
  readonly joints: readonly (FirstScrew | OtherJoint)[];
  readonly operations: readonly FirstOperation[];
}

/**
 * A document of the first format as one of this. What the first could not say is filled with what it meant: the way back
 * used the tool and posture of the way out, so a driver stays a driver there and anything that prises becomes a hand;
 * a part that moves to an assembly's replacement gets a step of its own.
 *
 * @param document  that satisfies `model-1.schema.json`, or one of this format, which is returned as it is
 */
export function upgradeModel(document: FirstModel | Model): Model {
  if (document.format === modelFormat) return document;
  const first = document as FirstModel;
  return {
    ...first,
    format: modelFormat,
    parts: first.parts.map(({ transfers, ...part }) => ({
      ...part,
      ...(transfers && { transfers: transfers.map(transferOf) }),
    })),
    joints: first.joints.map(upgradeJoint),
    operations: first.operations.map((operation) => upgradeOperation(first, operation)),
  };
}

/** Minutes that moving a part over takes where the author did not say: a starting value of ours. */
const usualTransfer = { low: 1, likely: 2, high: 4 };

const transferOf = (part: string): Transfer => ({ part, tool: hands, minutes: usualTransfer });

function upgradeJoint(joint: FirstScrew | OtherJoint): Joint {
  if (joint.kind !== 'screw') return joint;
  const { head, ...rest } = joint;
  return { ...rest, drive: head };
}

const hands = 'Hands';

function upgradeOperation(model: FirstModel, { wait, back, ...operation }: FirstOperation): Operation {
  return {
    ...operation,
    ...(wait && { waits: [wait] }),
    back: back && upgradeWayBack(model, { ...operation, back }, back),
  };
}

function upgradeWayBack(model: FirstModel, operation: FirstOperation, { wait, ...back }: FirstWayBack): WayBack {
  const closed = new Set(back.closes ?? [...operation.opens, ...(operation.opensIfShut ?? [])]);
  const hasScrews = model.joints.some(({ id, kind }) => kind === 'screw' && closed.has(id));
  return {
    ...back,
    tool: hasScrews ? operation.tool : hands,
    ...(operation.posture !== undefined && { posture: operation.posture }),
    ...(wait && { waits: [wait] }),
  };
}
