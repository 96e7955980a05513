import type { Model } from '@/core/procedure/model';
import type { Arc, Operation } from '@/core/procedure/operations';

/**
 * The battery plug before all that lies as deep as it does: an operation that can only be done when a plug of a source
 * can be reached waits for it. What may have to be done to reach the plug does not wait.
 *
 * Reached: everything that the plug waits for is surely done before the other operation. Surely done: on every way, an
 * arc with alternatives asks for what all of them ask for.
 *
 * @param because  what the arc says
 */
export function plugFirst(model: Model, because: Arc['because']): readonly Operation[] {
  // A clock cell that feeds only what it sits on holds up nothing else.
  const isWide = (part: string) => model.parts.find(({ id }) => id === part)?.powerReach !== 'its-own';
  const sources = new Set(
    model.joints.filter(({ power, holds }) => power === true && holds.some(isWide)).map(({ id }) => id),
  );
  const offs = model.operations.filter(({ opens, after }) => after.length > 0 && opens.some((id) => sources.has(id)));
  const isOff = new Set(offs.map(({ id }) => id));
  // One plug after the other: what waits for the first is known when the second is asked about.
  return offs.reduce((operations, off) => {
    const { isSurelyBefore, isEverBefore } = precedence(operations);
    return operations.map((operation) => {
      const isReached = off.after.every(({ any }) => any.some((id) => isSurelyBefore(id, operation.id)));
      const isAsked = operation.after.some(({ any }) => any.length === 1 && any[0] === off.id);
      const isOther = isOff.has(operation.id) || operation.insteadOf === off.id || off.insteadOf === operation.id;
      if (!isReached || isAsked || isOther || isEverBefore(operation.id, off.id)) return operation;
      return { ...operation, after: [...operation.after, { any: [off.id], reason: 'house' as const, because }] };
    });
  }, model.operations);
}

function precedence(operations: readonly Operation[]) {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const clauses = (id: string) => byId.get(id)?.after.map(({ any }) => any) ?? [];
  const everBefore = remembered((id, before) =>
    clauses(id).flatMap((any) => any.flatMap((one) => [one, ...before(one)])),
  );
  const surelyBefore = remembered((id, before) =>
    clauses(id).flatMap((any) => {
      const [first, ...others] = any.map((one) => new Set([one, ...before(one)]));
      return [...(first ?? [])].filter((one) => others.every((set) => set.has(one)));
    }),
  );
  return {
    isEverBefore: (one: string, other: string) => everBefore(other).has(one),
    isSurelyBefore: (one: string, other: string) => surelyBefore(other).has(one),
  };
}

/** A set for each id that is found from those of others; in a circle of a draft, what asks for itself asks for nothing more. */
function remembered(find: (id: string, before: (id: string) => ReadonlySet<string>) => readonly string[]) {
  const known = new Map<string, ReadonlySet<string>>();
  return function before(id: string): ReadonlySet<string> {
    const found = known.get(id);
    if (found) return found;
    known.set(id, new Set());
    const all = new Set(find(id, before));
    known.set(id, all);
    return all;
  };
}
