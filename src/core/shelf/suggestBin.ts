import type { Part } from '@/core/entities/entities';
import type { Bin, BinStock } from './racks';

/** What of a part says where it goes. */
export type Storable = Pick<Part, 'interchange' | 'grade' | 'category'>;

interface Box {
  readonly bin: Bin;
  count: number;
  readonly classes: Set<string>;
  readonly alike: Set<string>;
}

/**
 * Where each of several parts should lie, one after the other: with its own kind. A bin that has its class and grade, else
 * one of its class alone, else an empty one, else any with room; of these one in a rack for its kind of part before others.
 * Nothing goes into a rack for another kind.
 *
 * @param bins   those in use, in walking order
 * @param stock  what lies in them
 * @returns for each the bin; null when none that may take it has room
 * Cost: O(bins + parts · bins that hold the class)
 */
export function suggestBins(
  parts: readonly Storable[],
  bins: readonly Bin[],
  stock: readonly BinStock[],
): readonly (string | null)[] {
  const boxes = bins.map((bin): Box => ({ bin, count: 0, classes: new Set(), alike: new Set() }));
  const byCode = new Map(boxes.map((box) => [box.bin.code, box]));
  const holding = new Map<string, Box[]>();
  const put = (box: Box, { interchange, grade }: Pick<Storable, 'interchange' | 'grade'>, count: number) => {
    box.count += count;
    if (!box.classes.has(interchange)) holding.set(interchange, [...(holding.get(interchange) ?? []), box]);
    box.classes.add(interchange);
    box.alike.add(kindOf({ interchange, grade }));
  };
  for (const { bin, count, ...of } of stock) {
    const box = byCode.get(bin);
    if (box) put(box, of, count);
  }
  const order = new Map(boxes.map((box, at) => [box, at]));
  const inOrder = (some: readonly Box[]) =>
    [...some].sort((one, other) => (order.get(one) as number) - (order.get(other) as number));
  const empty = rows(boxes, (box) => box.count === 0 && hasRoom(box));
  const withRoom = rows(boxes, hasRoom);
  return parts.map((part) => {
    const own = inOrder(holding.get(part.interchange) ?? []).filter(hasRoom);
    const box =
      preferred(
        part,
        own.filter(({ alike }) => alike.has(kindOf(part))),
      ) ??
      preferred(
        part,
        own.filter(({ classes }) => classes.size === 1),
      ) ??
      empty(part) ??
      withRoom(part);
    if (box) put(box, part, 1);
    return box?.bin.code ?? null;
  });
}

const kindOf = ({ interchange, grade }: Pick<Storable, 'interchange' | 'grade'>) => `${interchange} ${grade}`;
const hasRoom = ({ count, bin }: Box) => count < bin.room;

/** The first in a rack for its kind of part, else the first in one for any. */
const preferred = ({ category }: Storable, some: readonly Box[]): Box | undefined =>
  some.find(({ bin }) => bin.category === category) ?? some.find(({ bin }) => bin.category === null);

/**
 * Boxes of each kind of rack in walking order, of which those at the front fall out for good: boxes only fill up.
 *
 * @returns the first that is still fit for a part
 */
function rows(boxes: readonly Box[], isFit: (box: Box) => boolean): (part: Storable) => Box | undefined {
  const own = new Map<Bin['category'], Box[]>();
  for (const box of boxes) {
    const row = own.get(box.bin.category);
    if (row) row.push(box);
    else own.set(box.bin.category, [box]);
  }
  for (const row of own.values()) row.reverse();
  const first = (category: Bin['category']) => {
    const row = own.get(category) ?? [];
    while (row.length > 0 && !isFit(row.at(-1) as Box)) row.pop();
    return row.at(-1);
  };
  return ({ category }) => first(category) ?? first(null);
}
