import type { Path } from '@/core/procedure/patch';

/** Larger than any document of ours has reason to be; checking by pairs inside of these bounds takes no time to speak of. */
const mostInList = 2_000;
const mostValues = 200_000;
const mostDeep = 40;

export interface SizeFault {
  readonly path: Path;
  readonly what: 'list' | 'values' | 'depth';
  readonly count: number;
  readonly most: number;
}

/**
 * Whether a document from outside is of a size that it may be checked, in time linear in that size: a schema compares lists by
 * pairs, and tells of every single fault.
 *
 * @param document  what JSON gives
 */
export function sizeFault(document: unknown): SizeFault | null {
  const waiting: { readonly value: unknown; readonly path: Path }[] = [{ value: document, path: [] }];
  let values = 0;
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value, path } = next;
    values += 1;
    if (values > mostValues) return { path: [], what: 'values', count: values, most: mostValues };
    if (typeof value !== 'object' || value === null) continue;
    if (path.length >= mostDeep) return { path: [], what: 'depth', count: path.length, most: mostDeep };
    if (Array.isArray(value) && value.length > mostInList)
      return { path, what: 'list', count: value.length, most: mostInList };
    for (const [key, inner] of Object.entries(value))
      waiting.push({ value: inner, path: [...path, Array.isArray(value) ? Number(key) : key] });
  }
  return null;
}
