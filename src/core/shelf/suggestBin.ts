import type { Part } from '@/core/entities/entities';

/**
 * Where a part should lie: with its own kind: a bin that has its class and grade, else one
 * of its class alone or empty, else any with room.
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
  const lying = (bin: string) => contents.get(bin) ?? [];
  const alike = bins.find((bin) => fits(bin) && lying(bin).some((other) => isAlike(other, part)));
  const ownClass = bins.find(
    (bin) =>
      fits(bin) && lying(bin).length > 0 && lying(bin).every(({ interchange }) => interchange === part.interchange),
  );
  return alike ?? ownClass ?? bins.find((bin) => lying(bin).length === 0) ?? bins.find(fits);
}

const isAlike = (a: Pick<Part, 'interchange' | 'grade'>, b: Pick<Part, 'interchange' | 'grade'>) =>
  a.interchange === b.interchange && a.grade === b.grade;
