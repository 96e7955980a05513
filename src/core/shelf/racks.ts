import type { PartCategory } from '@/core/procedure/vocabulary';
import type { Grade } from '@/core/shared/grades';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { tagKinds } from '@/core/shared/tags';

/** Rows of boxes that stand together; every box is a bin, and all are alike. */
export interface Rack {
  /** One or two capital letters, with which the names of its bins begin: see `isRackCode`. */
  readonly code: string;
  readonly rows: number;
  /** In each row. */
  readonly boxes: number;
  /** Parts that one box holds. */
  readonly room: number;
  /** The only kind of part that lies in it; null when any may. */
  readonly category: PartCategory | null;
  /** Nothing more is put into a rack that is out of use; what lies in it is found as before. */
  readonly isInUse: boolean;
}

/** One box of a rack. */
export interface Bin {
  readonly code: string;
  readonly room: number;
  readonly category: PartCategory | null;
}

/** How many parts of one class and grade lie in a bin. */
export interface BinStock {
  readonly bin: string;
  readonly interchange: string;
  readonly grade: Grade | null;
  readonly count: number;
}

/** Bins are named by two digits after the letters of their rack. */
export const mostBoxes = 99;
export const mostRows = 12;
export const mostRoom = 500;

/** Bins of a rack row by row, in walking order. */
export const binsOf = ({ code, rows, boxes, room, category }: Rack): readonly Bin[] =>
  Array.from({ length: rows * boxes }, (_, at) => ({
    code: `${code}${String(at + 1).padStart(2, '0')}`,
    room,
    category,
  }));

/** All bins into which something may be put, rack by rack. */
export const binsInUse = (racks: readonly Rack[]): readonly Bin[] =>
  racks.filter(({ isInUse }) => isInUse).flatMap(binsOf);

/** Whether letters may name a rack: one or two, and not one with which a tag begins, since P01 would be a part. */
export const isRackCode = (code: string): boolean => /^[A-Z]{1,2}$/.test(code) && !(code in tagKinds);

/** The first letters that no rack has: A, B … Z, AA, AB … */
export function nextCode(racks: readonly Rack[]): string {
  const taken = new Set(racks.map(({ code }) => code));
  const letters = Array.from({ length: 26 }, (_, at) => String.fromCharCode(65 + at));
  const codes = [...letters, ...letters.flatMap((first) => letters.map((second) => first + second))];
  return codes.find((code) => isRackCode(code) && !taken.has(code)) ?? '';
}

/**
 * Whether a rack may be so: boxes in which something lies stay.
 *
 * @param stock  what lies in which bin
 * @refuses 'too-many-boxes', 'bins-not-empty'
 */
export function judgeRack(rack: Rack, stock: readonly Pick<BinStock, 'bin' | 'count'>[]): Outcome<Rack> {
  const boxes = rack.rows * rack.boxes;
  if (boxes > mostBoxes) return refuse('too-many-boxes', { code: rack.code, boxes, most: mostBoxes });
  const kept = new Set(binsOf(rack).map(({ code }) => code));
  const lost = stock.filter(({ bin, count }) => count > 0 && rackOf(bin) === rack.code && !kept.has(bin));
  if (lost.length === 0) return accept(rack);
  const parts = lost.reduce((sum, { count }) => sum + count, 0);
  return refuse('bins-not-empty', { code: rack.code, parts, bins: [...new Set(lost.map(({ bin }) => bin))].sort() });
}

/** The letters of the rack that a bin is in. */
export const rackOf = (bin: string): string => /^[A-Z]*/.exec(bin)?.[0] ?? '';
