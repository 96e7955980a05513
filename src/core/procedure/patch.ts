import { deleteIn, getIn, insertAt, setIn, type JSONPath } from 'immutable-json-patch';

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

/**
 * The document with the changes made; what they do not touch is shared with the old one.
 *
 * @throws RangeError when a path leads through something that is not there
 */
export function applyPatch<T>(document: T, patch: Patch): T {
  return patch.reduce<unknown>(applyChange, document) as T;
}

function applyChange(document: unknown, { path, value, inserts = false }: Change): unknown {
  if (path.length === 0) return value;
  const pointer = path.map(String);
  const last = path.at(-1);
  const parent = readPath(document, path.slice(0, -1));
  const isList = Array.isArray(parent);
  const isThere = isList
    ? Number.isInteger(last) && Number(last) >= 0 && Number(last) <= parent.length
    : isObject(parent);
  if (!isThere) throw new RangeError(`applyPatch: nothing at ${path.join('.')}`);
  if (value === undefined) return readPath(document, path) === undefined ? document : deleteIn(document, pointer);
  return isList && (inserts || last === parent.length)
    ? insertAt(document, pointer, value)
    : setIn(document, pointer, value);
}

const isObject = (value: unknown): boolean => typeof value === 'object' && value !== null;

/** What stands at a path, or undefined. */
export const readPath = (document: unknown, path: Path): unknown => getIn(document, path.map(String) as JSONPath);
