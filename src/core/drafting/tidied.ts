import type { Model } from '../procedure/model';

/** Lists and groups that say nothing while they are empty: a form adds them before anything stands in them. */
const optional = new Set([
  'edge',
  'assembly',
  'standsThrough',
  'releases',
  'orTools',
  'minutesWhen',
  'slowWhile',
  'ends',
  'risks',
  'waits',
  'prepare',
  'leaves',
  'layers',
  'mark',
  'setting',
  'cues',
  'seam',
]);
/** Those whose name stands for a list that may be empty elsewhere. */
const optionalIn = [/(^|\.)when\.\w+$/, /\.back\.after$/, /^parts\.\d+\.variants$/];

/** A document without the lists and groups that were begun and left empty. */
export function tidied(model: Model): Model {
  return withoutEmpty(model, '') as Model;
}

function withoutEmpty(node: unknown, path: string): unknown {
  if (Array.isArray(node)) return node.map((item, at) => withoutEmpty(item, `${path}.${at}`));
  if (typeof node !== 'object' || node === null) return node;
  return Object.fromEntries(
    Object.entries(node).flatMap(([key, value]) => {
      const place = path === '' ? key : `${path}.${key}`;
      const kept = withoutEmpty(value, place);
      // What became empty by that is empty too.
      return isEmpty(kept) && (optional.has(key) || optionalIn.some((pattern) => pattern.test(place)))
        ? []
        : [[key, kept] as const];
    }),
  );
}

const isEmpty = (value: unknown): boolean =>
  Array.isArray(value)
    ? value.length === 0
    : typeof value === 'object' && value !== null && Object.keys(value).length === 0;
