/** Where in a document: property names and list positions from the root. */
export type Path = readonly (string | number)[];

/** One place of a document set to a value; `undefined` takes the property or the list's entry away. */
export interface Change {
  readonly path: Path;
  readonly value: unknown;
  /** Puts the value in before the list's entry instead of over it. */
  readonly inserts?: boolean;
}

/** Changes done one after the other. A change is plain data: it can be kept, sent and taken back. */
export type Patch = readonly Change[];

type Node = Record<string, unknown> | unknown[];

/**
 * The document with the changes made; what they do not touch is shared with the old one.
 *
 * @throws RangeError when a path leads through something that is not there
 */
export function applyPatch<T>(document: T, patch: Patch): T {
  return patch.reduce<unknown>((node, change) => applyAt(node, change.path, change), document) as T;
}

function applyAt(node: unknown, [step, ...rest]: Path, change: Change): unknown {
  if (step === undefined) return change.value;
  if (typeof node !== 'object' || node === null)
    throw new RangeError(`applyPatch: nothing at ${change.path.join('.')}`);
  if (Array.isArray(node)) return applyInList(node, Number(step), rest, change);
  const object = node as Record<string, unknown>;
  if (rest.length === 0 && change.value === undefined) {
    return Object.fromEntries(Object.entries(object).filter(([key]) => key !== step));
  }
  return { ...object, [step]: applyAt(object[step], rest, change) };
}

function applyInList(list: readonly unknown[], at: number, rest: Path, change: Change): unknown[] {
  if (!Number.isInteger(at) || at < 0 || at > list.length) {
    throw new RangeError(`applyPatch: nothing at ${change.path.join('.')}`);
  }
  if (rest.length > 0) return list.with(Math.min(at, list.length - 1), applyAt(list[at], rest, change));
  if (change.inserts) return list.toSpliced(at, 0, change.value);
  if (change.value === undefined) return list.toSpliced(at, 1);
  return at === list.length ? [...list, change.value] : list.with(at, change.value);
}

/** What stands at a path, or undefined. */
export function readPath(document: unknown, path: Path): unknown {
  return path.reduce<unknown>((node, step) => (node as Node | undefined)?.[step as keyof Node], document);
}
