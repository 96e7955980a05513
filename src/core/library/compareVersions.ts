import type { Model } from '@/core/procedure/model';
import { message, type Message, type Piece } from '@/core/shared/message';

/** One difference between two documents of a model, in words. */
export interface Difference {
  readonly kind: 'new' | 'gone' | 'changed';
  /** What it is about: the model, a part, a joint, a face, an operation. */
  readonly about: Message<'library'>;
  readonly says: Message<'library'>;
}

const lists = ['faces', 'parts', 'joints', 'operations', 'revisions', 'configurations', 'variants'] as const;

const isList = (key: string): boolean => lists.some((list) => list === key);

/**
 * What changed from one document to the next: things that are new, gone, or whose fields changed, each said once. Ids
 * tell what is the same thing; a renamed id is one gone and one new.
 */
export function compareVersions(before: Model, after: Model): readonly Difference[] {
  const heads = fieldChanges(before, after)
    .filter(({ field }) => !isList(field.split('.')[0] ?? '') && !['version', '$schema'].includes(field))
    .map(({ says }): Difference => ({ kind: 'changed', about: message('library.theModel'), says }));
  return [...heads, ...lists.flatMap((list) => listChanges(before[list], after[list], list))];
}

interface Named {
  readonly id: string;
  readonly name?: string;
  readonly title?: string;
}

const nameOf = ({ id, name, title }: Named): string => title ?? name ?? id;

function listChanges(before: readonly Named[], after: readonly Named[], kind: string): Difference[] {
  const [old, now] = [new Map(before.map((item) => [item.id, item])), new Map(after.map((item) => [item.id, item]))];
  return [
    ...before
      .filter(({ id }) => !now.has(id))
      .map((item): Difference => ({
        kind: 'gone',
        about: message('library.face', { kind, name: nameOf(item) }),
        says: message('library.removed'),
      })),
    ...after.flatMap((item): Difference[] => {
      const was = old.get(item.id);
      if (!was)
        return [
          {
            kind: 'new',
            about: message('library.face', { kind, name: nameOf(item) }),
            says: message('library.added'),
          },
        ];
      return fieldChanges(was, item).map(({ says }) => ({
        kind: 'changed',
        about: message('library.face', { kind, name: nameOf(item) }),
        says,
      }));
    }),
  ];
}

interface FieldChange {
  readonly field: string;
  readonly says: Message<'library'>;
}

function fieldChanges(before: unknown, after: unknown, field = ''): readonly FieldChange[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return [];
  const name = fieldWords(field);
  if (before === undefined || after === undefined) {
    return [
      {
        field,
        says:
          before === undefined
            ? message('library.now', { name, after: shown(after) })
            : message('library.wasNowNone', { name, before: shown(before) }),
      },
    ];
  }
  if (isWordList(before) && isWordList(after)) {
    const gone = before.filter((entry) => !after.includes(entry));
    const added = after.filter((entry) => !before.includes(entry));
    return [{ field, says: listed(name, added, gone) }];
  }
  if (Array.isArray(before) && Array.isArray(after)) return [{ field, says: listChange(name, before, after) }];
  if (isFigures(before) && isFigures(after))
    return [{ field, says: message('library.n', { name, before: figures(before), after: figures(after) }) }];
  if (isPlain(before) && isPlain(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => fieldChanges(before[key], after[key], field === '' ? key : `${field}.${key}`));
  }
  return [{ field, says: message('library.n', { name, before: shown(before), after: shown(after) }) }];
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
function listChange(name: string, before: readonly unknown[], after: readonly unknown[]): Message<'library'> {
  const [old, now] = [before.map((entry) => JSON.stringify(entry)), after.map((entry) => JSON.stringify(entry))];
  const added = after.filter((_, at) => !old.includes(now[at] ?? '')).map(firstWords);
  const gone = before.filter((_, at) => !now.includes(old[at] ?? '')).map(firstWords);
  return listed(name, added, gone);
}

const listed = (name: string, added: readonly Piece[], gone: readonly Piece[]): Message<'library'> =>
  message('library.addedRemoved', {
    name,
    added,
    gone,
    change: added.length > 0 ? (gone.length > 0 ? 'both' : 'added') : gone.length > 0 ? 'gone' : 'order',
  });

const firstWords = (entry: unknown): Piece => {
  const text = isPlain(entry) ? Object.values(entry).find((value) => typeof value === 'string') : undefined;
  return text === undefined ? shown(entry) : `“${String(text)}”`;
};

/** `minutes.likely` → “minutes, likely”; `lengthMm` → “length mm”. */
const fieldWords = (field: string): string =>
  field
    .split('.')
    .map((word) => word.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`))
    .join(', ');

function shown(value: unknown): Piece {
  if (typeof value === 'string') return `“${value}”`;
  if (Array.isArray(value)) return message('library.none', { count: value.length });
  if (isPlain(value))
    return Object.entries(value)
      .map(([key, entry]) => `${fieldWords(key)} ${String(entry)}`)
      .join(', ');
  return String(value);
}
