import type { Face } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Arc, Minutes, Operation } from '@/core/procedure/operations';
import type { ModelPart } from '@/core/procedure/parts';
import { isJointKind, makeJoint, makeScrews, readScrews } from './parseJoints';
import { wayBackOf } from './wayBackOf';
import { guessCategory, guessSlot, idFrom } from './words';
import { message, type Message } from '@/core/shared/message';

/** One line of the editor's table, as it is typed. What is left empty on a new line is taken from the line above. */
export interface OperationLine {
  readonly title: string;
  readonly face: string;
  readonly tool: string;
  readonly opens: string;
  readonly frees: string;
  readonly after: string;
  readonly minutes: string;
}

export const lineFields = [
  'title',
  'face',
  'tool',
  'opens',
  'frees',
  'after',
  'minutes',
] as const satisfies readonly (keyof OperationLine)[];
export type LineField = (typeof lineFields)[number];

export const emptyLine: OperationLine = { title: '', face: '', tool: '', opens: '', frees: '', after: '', minutes: '' };

/** What of a line could not be read; the rest of the line is taken. */
export interface Unread {
  readonly field: LineField;
  readonly says: Message<'opening'>;
}

/** An operation as a line. Writing the line back changes nothing. */
export function lineOf(model: Model, operation: Operation): OperationLine {
  const { title, tool, opens, frees, after, minutes } = operation;
  const numberOf = (id: string) => {
    const at = model.operations.findIndex((other) => other.id === id);
    return at === -1 ? id : String(at + 1);
  };
  return {
    title,
    face: operation.face,
    tool,
    opens: withRanges(opens).join(', '),
    frees: frees.map((id) => model.parts.find((part) => part.id === id)?.name ?? id).join(', '),
    after: after.length === 0 ? '-' : after.map(({ any }) => any.map(numberOf).join('|')).join(', '),
    minutes: `${minutes.low} ${minutes.likely} ${minutes.high}`,
  };
}

/** `s1, s2, s3` → `s1-s3`. */
function withRanges(ids: readonly string[]): readonly string[] {
  const runs: { readonly letters: string; readonly first: number; last: number; ids: string[] }[] = [];
  for (const id of ids) {
    const [, letters = '', digits = ''] = /^([a-z-]*?)([1-9]\d*)$/.exec(id) ?? [];
    const run = runs.at(-1);
    if (run && letters !== '' && run.letters === letters && run.last + 1 === Number(digits)) {
      run.last = Number(digits);
      run.ids.push(id);
    } else runs.push({ letters, first: Number(digits), last: Number(digits), ids: [id] });
  }
  return runs.flatMap((run) =>
    run.ids.length > 2 ? [`${run.letters}${run.first}-${run.letters}${run.last}`] : run.ids,
  );
}

/**
 * Writes a line into a model: as a new operation behind the last one, or over an existing one, of which the rest stays.
 *
 * Opened joints are named by id (`s1`, `s1-s4`), or made on the spot: `4 PH00 3.0` are four screws, `plug battery` a plug;
 * they hold the parts that the line frees. Parts and faces that are not there yet are made. What must be done before is
 * named by id or by line number, alternatives with `|`; `-` means nothing. Minutes are `1.2`, or `0.8 1.2 2`.
 *
 * @param at  the operation's place; the number of operations for a new one
 * @throws RangeError when there is no such place
 */
export function writeLine(
  model: Model,
  at: number,
  line: OperationLine,
): { readonly model: Model; readonly unread: readonly Unread[] } {
  if (at < 0 || at > model.operations.length) throw new RangeError(`writeLine: no line ${at}`);
  const old = model.operations[at];
  const above = model.operations[at - 1];
  const unread: Unread[] = [];

  const { faces, face } = readFace(model, line.face || old?.face || above?.face || '');
  const { parts, frees } = readParts(model, line.frees);
  const { joints, opens } = readJoints(model, line, face, frees, unread);
  const after = readAfter(model, at, line.after, old, unread);
  const minutes = readMinutes(line.minutes, old, unread);
  const title = line.title.trim();
  const written: Operation = {
    ...(old ?? { detail: '', cautions: [], back: null }),
    id: old?.id ?? idFrom(title, new Set(model.operations.map(({ id }) => id))),
    title,
    face: face.id,
    tool: line.tool.trim() || old?.tool || above?.tool || 'Hands',
    opens,
    frees,
    after,
    minutes,
  };
  const operation = old ? written : { ...written, back: wayBackOf(written) };
  return {
    model: { ...model, faces, parts, joints, operations: model.operations.toSpliced(at, old ? 1 : 0, operation) },
    unread,
  };
}

const entriesOf = (text: string): readonly string[] =>
  text
    .split(',')
    .map((entry) => entry.trim())
    .filter(Boolean);
const isSame = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

function readFace(model: Model, typed: string): { readonly faces: readonly Face[]; readonly face: Face } {
  const known =
    model.faces.find(({ id, name }) => isSame(id, typed) || isSame(name, typed)) ??
    (typed === '' ? model.faces[0] : undefined);
  if (known) return { faces: model.faces, face: known };
  const like = model.faces[0];
  const face: Face = {
    id: idFrom(typed || 'top', new Set(model.faces.map(({ id }) => id))),
    name: typed || 'Top',
    widthMm: like?.widthMm ?? 70,
    heightMm: like?.heightMm ?? 140,
    cornerMm: like?.cornerMm ?? 6,
    outlines: [],
    keepOut: [],
  };
  return { faces: [...model.faces, face], face };
}

function readParts(
  model: Model,
  typed: string,
): { readonly parts: readonly ModelPart[]; readonly frees: readonly string[] } {
  const parts = [...model.parts];
  const frees = entriesOf(typed).map((name) => {
    const known = parts.find(
      (part) => isSame(part.id, name) || isSame(part.name, name) || part.aliases.some((alias) => isSame(alias, name)),
    );
    if (known) return known.id;
    const part = newPart(model, name, parts);
    parts.push(part);
    return part.id;
  });
  return { parts, frees };
}

/** A part as it is guessed from its name; what is guessed wrong is mended in the table of parts. */
export function newPart(model: Model, name: string, parts: readonly ModelPart[]): ModelPart {
  const id = idFrom(name, new Set(parts.map((part) => part.id)));
  const category = guessCategory(name);
  const slot = guessSlot(category);
  return { id, name, aliases: [], category, interchange: `${model.id}-${id}`.slice(0, 60), ...(slot && { slot }) };
}

function readJoints(
  model: Model,
  line: OperationLine,
  face: Face,
  holds: readonly string[],
  unread: Unread[],
): { readonly joints: readonly Joint[]; readonly opens: readonly string[] } {
  const joints = [...model.joints];
  const opens = entriesOf(line.opens).flatMap((entry) => {
    if (joints.some(({ id }) => id === entry)) return [entry];
    const range = /^([a-z-]+)(\d+)\s*-\s*\1?(\d+)$/i.exec(entry);
    if (range) {
      const ids = between(Number(range[2]), Number(range[3])).map((number) => `${range[1]}${number}`);
      const known = ids.filter((id) => joints.some((joint) => joint.id === id));
      if (known.length > 0) return known;
    }
    const screws = readScrews(entry);
    if (screws) {
      const made = makeScrews(screws, face, holds, joints);
      joints.push(...made);
      return made.map(({ id }) => id);
    }
    const [kind, ...name] = entry.toLowerCase().split(/\s+/);
    if (kind !== undefined && isJointKind(kind)) {
      const made = makeJoint(kind, name.join(' ') || entriesOf(line.frees)[0] || line.title, face, holds, joints);
      joints.push(made);
      return [made.id];
    }
    unread.push({
      field: 'opens',
      says: message('opening.entryUnread', { entry }),
    });
    return [];
  });
  return { joints, opens: [...new Set(opens)] };
}

const between = (low: number, high: number): readonly number[] =>
  Array.from({ length: Math.max(0, Math.min(99, high - low + 1)) }, (_, step) => low + step);

function readAfter(
  model: Model,
  at: number,
  typed: string,
  old: Operation | undefined,
  unread: Unread[],
): readonly Arc[] {
  const above = model.operations[at - 1];
  if (typed.trim() === '') return old?.after ?? (above ? [arcAfter(model, [above.id])] : []);
  if (typed.trim() === '-') return [];
  return entriesOf(typed).flatMap((entry) => {
    const any = entry.split('|').flatMap((name) => {
      const wanted = name.trim();
      const found = /^\d+$/.test(wanted)
        ? model.operations[Number(wanted) - 1]
        : model.operations.find(({ id, title }) => isSame(id, wanted) || isSame(title, wanted));
      if (!found) unread.push({ field: 'after', says: message('opening.lineUnknown', { wanted }) });
      return found ? [found.id] : [];
    });
    if (any.length === 0) return [];
    return [old?.after.find((arc) => arc.any.join() === any.join()) ?? arcAfter(model, any)];
  });
}

function arcAfter(model: Model, any: readonly string[]): Arc {
  const titles = any.map((id) => model.operations.find((operation) => operation.id === id)?.title ?? id);
  // The document's own text, which the author goes on writing.
  // eslint-disable-next-line no-restricted-syntax
  return { any, reason: 'physical', because: `${titles.join(', or: ')} comes first.` };
}

const round = (value: number): number => Math.round(value * 100) / 100;

/** One figure is the likely one; the range round it is what a first guess deserves. */
export const minutesAround = (likely: number): Minutes => ({
  low: round(likely * 0.7),
  likely,
  high: round(likely * 1.8),
});

function readMinutes(typed: string, old: Operation | undefined, unread: Unread[]): Minutes {
  const numbers = typed
    .replaceAll(/(\d),(\d)/g, '$1.$2')
    .split(/[\s/;]+/)
    .filter(Boolean)
    .map(Number);
  const [first, second, third] = numbers;
  if (first === undefined) return old?.minutes ?? minutesAround(1);
  if (numbers.some((number) => !Number.isFinite(number) || number < 0) || numbers.length === 2 || numbers.length > 3) {
    unread.push({ field: 'minutes', says: message('opening.minutesUnread', { typed }) });
    return old?.minutes ?? minutesAround(1);
  }
  return second === undefined || third === undefined
    ? minutesAround(first)
    : { low: first, likely: second, high: third };
}
