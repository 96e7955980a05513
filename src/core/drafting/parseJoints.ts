import type { Face } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import { jointKinds, screwHeads, type JointKind, type ScrewHead } from '@/core/procedure/vocabulary';
import { idFrom } from './words';

/** Screws as they are written: “4 PH00 3.0”. */
export interface ScrewCount {
  readonly head: ScrewHead;
  readonly lengthMm: number;
  readonly count: number;
}

const screwPattern = /^(?:(\d{1,2})\s*(?:x|×)?\s*)?([a-z]{1,2}\d{1,3})\s*(?:x|×)?\s*(\d{1,2}(?:[.,]\d)?)$/i;

/** Reads one entry as screws: a count (1 when left out), a head and a length in millimetres. */
export function readScrews(text: string): ScrewCount | undefined {
  const match = screwPattern.exec(text.trim());
  const head = screwHeads.find((known) => known === match?.[2]?.toUpperCase());
  if (!match || !head) return undefined;
  const count = match[1] === undefined ? 1 : Number(match[1]);
  const lengthMm = Number((match[3] as string).replace(',', '.'));
  return count > 0 && lengthMm > 0 ? { head, lengthMm, count } : undefined;
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

/** Thread diameters by head, as they usually go together; the bench measures the real one later. */
const usualDiameterMm: Readonly<Record<string, number>> = {
  PH000: 1.2,
  PH00: 1.4,
  PH0: 2,
  T3: 1,
  T4: 1.4,
  T5: 2,
  T6: 2.2,
  P2: 1.2,
  P5: 1.4,
  Y00: 2,
  SL2: 2,
  H2: 2.4,
};

/** New screws on a face, in a row that does not run over what is there. */
export function makeScrews(
  { head, lengthMm, count }: ScrewCount,
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
      head,
      lengthMm,
      diameterMm: usualDiameterMm[head] ?? 1.4,
      depthMm: Math.round((lengthMm + 0.5) * 10) / 10,
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
  const isPower = (kind === 'plug' || kind === 'board-plug') && /\b(battery|cell|pack)\b/i.test(name);
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
