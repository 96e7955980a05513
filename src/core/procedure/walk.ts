import type { Joint } from './joints';
import type { Model } from './model';
import type { Operation } from './operations';

/** What one operation really did. */
export interface WalkStep {
  readonly operation: Operation;
  readonly opened: readonly string[];
  readonly closed: readonly string[];
  readonly freed: readonly string[];
}

export interface Walk {
  readonly steps: readonly WalkStep[];
  readonly faults: readonly WalkFault[];
  /** How things stand after the last step. */
  readonly openJoints: ReadonlySet<string>;
  readonly outParts: ReadonlySet<string>;
}

export type WalkFault =
  | { readonly kind: 'opened-twice' | 'closed-twice' | 'hidden'; readonly operation: Operation; readonly joint: string }
  | { readonly kind: 'freed-twice' | 'refit-not-out'; readonly operation: Operation; readonly part: string }
  | { readonly kind: 'still-held'; readonly operation: Operation; readonly part: string; readonly joint: string };

/**
 * Walks through operations in a given order, keeping the state of every joint and part. A test mating closes what was
 * open, a refit lays a part back, a joint that releases others opens them: all of that is legal, and what is not is
 * returned as a fault. The walk goes on after a fault.
 *
 * @param isPresent  whether the unit has a joint; joints of another revision hold nothing
 * @param from       how things stand before the first of them: everything shut, unless said
 * Cost: O(operations + joints touched)
 */
export function walk(
  model: Model,
  order: readonly Operation[],
  isPresent: (joint: string) => boolean = () => true,
  from: Pick<Walk, 'openJoints' | 'outParts'> = shut,
): Walk {
  const joints = new Map(model.joints.map((joint) => [joint.id, joint]));
  const holding = jointsByPart(model);
  const open = new Set(from.openJoints);
  const out = new Set(from.outParts);
  const faults: WalkFault[] = [];
  const steps: WalkStep[] = [];

  const openJoint = (id: string, opened: string[]): void => {
    open.add(id);
    opened.push(id);
    for (const next of joints.get(id)?.releases ?? []) if (!open.has(next)) openJoint(next, opened);
  };

  for (const operation of order) {
    const opened: string[] = [];
    const closed: string[] = [];
    const freed: string[] = [];
    for (const joint of operation.opens) {
      const cover = joints.get(joint)?.hiddenBy;
      if (open.has(joint) && !opened.includes(joint)) faults.push({ kind: 'opened-twice', operation, joint });
      else if (!open.has(joint)) openJoint(joint, opened);
      if (cover !== undefined && !open.has(cover) && !operation.opens.includes(cover) && isPresent(cover)) {
        faults.push({ kind: 'hidden', operation, joint });
      }
    }
    for (const joint of operation.opensIfShut ?? []) if (!open.has(joint)) openJoint(joint, opened);
    for (const part of operation.frees) {
      if (out.has(part)) faults.push({ kind: 'freed-twice', operation, part });
      else {
        const held = holding.get(part)?.find(({ id }) => !open.has(id) && isPresent(id));
        if (held) faults.push({ kind: 'still-held', operation, part, joint: held.id });
        freed.push(part);
      }
      out.add(part);
    }
    for (const part of operation.refits ?? []) {
      if (!out.has(part)) faults.push({ kind: 'refit-not-out', operation, part });
      out.delete(part);
    }
    for (const joint of operation.closes ?? []) {
      if (!open.has(joint)) faults.push({ kind: 'closed-twice', operation, joint });
      else closed.push(joint);
      open.delete(joint);
    }
    steps.push({ operation, opened, closed, freed });
  }
  return { steps, faults, openJoints: open, outParts: out };
}

const shut = { openJoints: new Set<string>(), outParts: new Set<string>() };

function jointsByPart(model: Model): ReadonlyMap<string, readonly Joint[]> {
  const holding = new Map<string, Joint[]>();
  for (const joint of model.joints) {
    for (const part of joint.holds) {
      const list = holding.get(part);
      if (list) list.push(joint);
      else holding.set(part, [joint]);
    }
  }
  return holding;
}
