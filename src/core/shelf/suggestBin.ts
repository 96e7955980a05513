import type { Part } from '@/core/bench/entities';

/**
 * Where a part should lie: with its own kind when a bin of its class and grade has room, else the first empty bin.
 *
 * @param part    the part to put away
 * @param stored  every part on the shelf
 * @param bins    all bins, in walking order
 * @param room    parts that a bin holds
 * @returns undefined when every bin is full
 */
export function suggestBin(
  part: Pick<Part, 'interchange' | 'grade'>,
  stored: readonly Pick<Part, 'interchange' | 'grade' | 'bin'>[],
  bins: readonly string[],
  room: number,
): string | undefined {
  const contents = new Map(bins.map((bin) => [bin, stored.filter((other) => other.bin === bin)]));
  const fits = (bin: string) => (contents.get(bin)?.length ?? 0) < room;
  const alike = bins.find((bin) => fits(bin) && contents.get(bin)?.some((other) => isAlike(other, part)));
  return alike ?? bins.find((bin) => contents.get(bin)?.length === 0) ?? bins.find(fits);
}

const isAlike = (a: Pick<Part, 'interchange' | 'grade'>, b: Pick<Part, 'interchange' | 'grade'>) =>
  a.interchange === b.interchange && a.grade === b.grade;
