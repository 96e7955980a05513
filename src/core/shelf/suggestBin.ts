import type { Part } from '@/core/entities/entities';
import type { Bin, BinStock } from './racks';

/** What of a part says where it goes. */
export type Storable = Pick<Part, 'interchange' | 'grade' | 'category'>;

interface Lying {
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
 * Cost: O(parts · bins)
 */
export function suggestBins(
  parts: readonly Storable[],
  bins: readonly Bin[],
  stock: readonly BinStock[],
): readonly (string | null)[] {
  const lying = new Map<string, Lying>(
    bins.map(({ code }) => [code, { count: 0, classes: new Set(), alike: new Set() }]),
  );
  const put = (bin: string, { interchange, grade }: Pick<Storable, 'interchange' | 'grade'>, count: number) => {
    const own = lying.get(bin);
    if (!own) return;
    own.count += count;
    own.classes.add(interchange);
    own.alike.add(`${interchange} ${grade}`);
  };
  for (const { bin, count, ...of } of stock) put(bin, of, count);
  return parts.map((part) => {
    const bin = bestOf(part, bins, lying);
    if (bin !== null) put(bin, part, 1);
    return bin;
  });
}

function bestOf(
  { interchange, grade, category }: Storable,
  bins: readonly Bin[],
  lying: ReadonlyMap<string, Lying>,
): string | null {
  let [best, rank] = [null as string | null, Infinity];
  const kind = `${interchange} ${grade}`;
  for (const bin of bins) {
    const { count, classes, alike } = lying.get(bin.code) as Lying;
    if (count >= bin.room || (bin.category !== null && bin.category !== category)) continue;
    const isOwnClass = classes.size === 1 && classes.has(interchange);
    const kin = alike.has(kind) ? 0 : isOwnClass ? 1 : count === 0 ? 2 : 3;
    const own = 2 * kin + (bin.category === null ? 1 : 0);
    if (own < rank) [best, rank] = [bin.code, own];
    // None is better than its own kind in its own rack.
    if (rank === 0) break;
  }
  return best;
}
