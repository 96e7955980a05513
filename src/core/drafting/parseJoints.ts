import type { Face } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import { readDrive } from '@/core/procedure/drives';
import { jointKinds, type JointKind } from '@/core/procedure/vocabulary';
import { idFrom } from './words';

/** Screws as they are written: “4 PH00 3.0”. */
export interface ScrewCount {
  readonly drive: string;
  /** Left out where nobody has measured it: “21 PH00”. */
  readonly lengthMm?: number;
  readonly count: number;
}

// A space before a cross: “4 XZ9” is a drive, “4 x PH00” a count.
const times = /\s+|\s*[x×]\s*/.source;
const screwPattern = new RegExp(
  `^(?:(\\d{1,2})(?:${times})?)?([a-z]{1,5}\\d{0,4}(?:\\.\\d)?)(?:(?:${times})(\\d{1,2}(?:[.,]\\d)?))?$`,
  'i',
);

/**
 * Reads one entry as screws: a count (1 when left out), a drive, and a length in millimetres with a space before it, which
 * may be left out. A drive that is in no standard family needs a count or a length beside it, else any word were one.
 */
export function readScrews(text: string): ScrewCount | undefined {
  const match = screwPattern.exec(text.trim());
  if (!match) return undefined;
  const [, counted, letters, measured] = match;
  const drive = (letters as string).toUpperCase();
  const { family, size } = readDrive(drive);
  if (size === '' && family !== 'PLUS') return undefined;
  if (family === null && counted === undefined && measured === undefined) return undefined;
  const count = counted === undefined ? 1 : Number(counted);
  const lengthMm = measured === undefined ? undefined : Number(measured.replace(',', '.'));
  if (count === 0 || lengthMm === 0) return undefined;
  return { drive, count, ...(lengthMm !== undefined && { lengthMm }) };
}

/** Reads screws from a list with commas; what is no screw is returned as it was written. */
export function readScrewList(text: string): {
  readonly screws: readonly ScrewCount[];
  readonly unread: readonly string[];
} {
  const entries = text
    .split(',')
    .map((entry) => entry.trim())
    .filter(Boolean);
  const read = entries.map((entry) => ({ entry, screws: readScrews(entry) }));
  return {
    screws: read.flatMap(({ screws }) => screws ?? []),
    unread: read.filter(({ screws }) => !screws).map(({ entry }) => entry),
  };
}

/** New screws on a face, in a row that does not run over what is there. What was not written stays unknown. */
export function makeScrews(
  { drive, lengthMm, count }: ScrewCount,
  face: Face,
  holds: readonly string[],
  joints: readonly Joint[],
): readonly Joint[] {
  const taken = new Set(joints.map(({ id }) => id));
  const made: Joint[] = [];
  for (let number = 0; number < count; number += 1) {
    const id = nextNumbered('s', taken);
    taken.add(id);
    made.push({
      id,
      kind: 'screw',
      face: face.id,
      ...freePlace(face, joints.length + number),
      holds,
      drive,
      ...(lengthMm !== undefined && { lengthMm }),
    });
  }
  return made;
}

/** A new joint of another kind. */
export function makeJoint(
  kind: Exclude<JointKind, 'screw'>,
  name: string,
  face: Face,
  holds: readonly string[],
  joints: readonly Joint[],
): Joint {
  const id = idFrom(`${name} ${kind}`, new Set(joints.map((joint) => joint.id)));
  const isPower =
    (kind === 'plug' || kind === 'board-plug' || kind === 'socket') && /\b(battery|cell|pack)\b/i.test(name);
  return { id, kind, face: face.id, ...freePlace(face, joints.length), holds, ...(isPower && { power: true }) };
}

export const isJointKind = (word: string): word is Exclude<JointKind, 'screw'> =>
  word !== 'screw' && (jointKinds as readonly string[]).includes(word);

function nextNumbered(letter: string, taken: ReadonlySet<string>): string {
  for (let number = 1; ; number += 1) if (!taken.has(`${letter}${number}`)) return `${letter}${number}`;
}

/** A place on a grid of the face, so that new marks do not lie on each other before they are moved. */
function freePlace({ widthMm, heightMm }: Face, index: number): { readonly xMm: number; readonly yMm: number } {
  const columns = Math.max(2, Math.floor(widthMm / 10) - 1);
  const rows = Math.max(2, Math.floor(heightMm / 10) - 1);
  const [column, row] = [index % columns, Math.floor(index / columns) % rows];
  const half = (value: number) => Math.round(value * 2) / 2;
  return { xMm: half(((column + 1) * widthMm) / (columns + 1)), yMm: half(((row + 1) * heightMm) / (rows + 1)) };
}
