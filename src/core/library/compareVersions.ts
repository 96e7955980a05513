import type { Model } from '@/core/procedure/model';

/** One difference between two documents of a model, in words. */
export interface Difference {
  readonly kind: 'new' | 'gone' | 'changed';
  /** What it is about: the model, a part, a joint, a face, an operation. */
  readonly about: string;
  readonly says: string;
}

const lists = [
  ['faces', 'face'],
  ['parts', 'part'],
  ['joints', 'joint'],
  ['operations', 'operation'],
  ['revisions', 'revision'],
  ['configurations', 'configuration'],
  ['variants', 'variant'],
] as const;

const isList = (key: string): boolean => lists.some(([list]) => list === key);

/**
 * What changed from one document to the next: things that are new, gone, or whose fields changed, each said once. Ids
 * tell what is the same thing; a renamed id is one gone and one new.
 */
export function compareVersions(before: Model, after: Model): readonly Difference[] {
  const heads = fieldChanges(before, after)
    .filter(({ field }) => !isList(field.split('.')[0] ?? '') && !['version', '$schema'].includes(field))
    .map(({ says }): Difference => ({ kind: 'changed', about: 'the model', says }));
  return [...heads, ...lists.flatMap(([list, word]) => listChanges(before[list], after[list], word))];
}

interface Named {
  readonly id: string;
  readonly name?: string;
  readonly title?: string;
}

const nameOf = ({ id, name, title }: Named): string => title ?? name ?? id;

function listChanges(before: readonly Named[], after: readonly Named[], word: string): Difference[] {
  const [old, now] = [new Map(before.map((item) => [item.id, item])), new Map(after.map((item) => [item.id, item]))];
  return [
    ...before
      .filter(({ id }) => !now.has(id))
      .map((item): Difference => ({ kind: 'gone', about: `${word} ${nameOf(item)}`, says: 'is gone' })),
    ...after.flatMap((item): Difference[] => {
      const was = old.get(item.id);
      if (!was) return [{ kind: 'new', about: `${word} ${nameOf(item)}`, says: 'is new' }];
      return fieldChanges(was, item).map(({ says }) => ({ kind: 'changed', about: `${word} ${nameOf(item)}`, says }));
    }),
  ];
}

interface FieldChange {
  readonly field: string;
  readonly says: string;
}

function fieldChanges(before: unknown, after: unknown, field = ''): readonly FieldChange[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return [];
  const name = fieldWords(field);
  if (before === undefined || after === undefined) {
    return [
      { field, says: before === undefined ? `${name}: now ${say(after)}` : `${name}: was ${say(before)}, now none` },
    ];
  }
  if (isWordList(before) && isWordList(after)) {
    const gone = before.filter((entry) => !after.includes(entry));
    const added = after.filter((entry) => !before.includes(entry));
    const words = [added.length > 0 && `also ${added.join(', ')}`, gone.length > 0 && `no longer ${gone.join(', ')}`];
    return [{ field, says: `${name}: ${words.filter(Boolean).join('; ') || 'in another order'}` }];
  }
  if (Array.isArray(before) && Array.isArray(after)) return [{ field, says: `${name}: ${listWords(before, after)}` }];
  if (isFigures(before) && isFigures(after))
    return [{ field, says: `${name}: ${figures(before)} → ${figures(after)}` }];
  if (isPlain(before) && isPlain(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => fieldChanges(before[key], after[key], field === '' ? key : `${field}.${key}`));
  }
  return [{ field, says: `${name}: ${say(before)} → ${say(after)}` }];
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isWordList = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((entry) => typeof entry === 'string');

/** Low, likely and high, or a price by grade: figures that are read together. */
const isFigures = (value: unknown): value is Record<string, number> =>
  isPlain(value) && Object.values(value).every((entry) => typeof entry === 'number');
const figures = (value: Readonly<Record<string, number>>): string => Object.values(value).join(', ');

/** Entries without ids are told by their first words. */
function listWords(before: readonly unknown[], after: readonly unknown[]): string {
  const [old, now] = [before.map((entry) => JSON.stringify(entry)), after.map((entry) => JSON.stringify(entry))];
  const added = after.filter((_, at) => !old.includes(now[at] ?? '')).map(firstWords);
  const gone = before.filter((_, at) => !now.includes(old[at] ?? '')).map(firstWords);
  const words = [added.length > 0 && `also ${added.join(', ')}`, gone.length > 0 && `no longer ${gone.join(', ')}`];
  return words.filter(Boolean).join('; ') || 'in another order';
}

const firstWords = (entry: unknown): string => {
  const text = isPlain(entry) ? Object.values(entry).find((value) => typeof value === 'string') : undefined;
  return text === undefined ? say(entry) : `“${String(text)}”`;
};

/** `minutes.likely` → “minutes, likely”; `lengthMm` → “length mm”. */
const fieldWords = (field: string): string =>
  field
    .split('.')
    .map((word) => word.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`))
    .join(', ');

function say(value: unknown): string {
  if (typeof value === 'string') return `“${value}”`;
  if (Array.isArray(value)) return value.length === 0 ? 'none' : `${value.length} entries`;
  if (isPlain(value))
    return Object.entries(value)
      .map(([key, entry]) => `${fieldWords(key)} ${String(entry)}`)
      .join(', ');
  return String(value);
}
