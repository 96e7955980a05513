import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import type { PartPlace } from '@/core/entities/stages';
import { grades, type Grade } from '@/core/shared/grades';

/** Which parts of the shelf are looked at: what is free, what is kept for somebody, what is to be fetched, what was not found. */
export const shelfPlaces = ['shelf', 'reserved', 'assigned', 'lost'] as const satisfies readonly PartPlace[];
export type ShelfPlace = (typeof shelfPlaces)[number];

/** By bin, by kind of part, by grade, and by how long it lies there. */
export const shelfSorts = ['bin', 'kind', 'grade', 'age'] as const;
export type ShelfSort = (typeof shelfSorts)[number];

/** A view of the shelf: all of it stands in the address. */
export interface ShelfQuery {
  readonly place: ShelfPlace;
  readonly words: string;
  readonly category: PartCategory | null;
  readonly grade: Grade | null;
  /** Only what fits this model, by its id. */
  readonly fits: string | null;
  /** A bin, or all of a rack by its letters. */
  readonly bin: string | null;
  readonly sort: ShelfSort;
  readonly isDown: boolean;
}

export const plainQuery: ShelfQuery = {
  place: 'shelf',
  words: '',
  category: null,
  grade: null,
  fits: null,
  bin: null,
  sort: 'bin',
  isDown: false,
};

const longestWords = 80;
const longestId = 60;

const among = <T extends string>(all: readonly T[], value: string | undefined): T | null =>
  all.find((one) => one === value) ?? null;

/** A view from its address; what an address says that means nothing is left out. */
export function readShelfQuery(said: Readonly<Record<string, string | undefined>>): ShelfQuery {
  const bin = (said.bin ?? '').trim().toUpperCase();
  return {
    place: among(shelfPlaces, said.show) ?? plainQuery.place,
    // Cut off in the middle of a sign, its first half alone could stand in no address.
    words: (said.q ?? '')
      .trim()
      .slice(0, longestWords)
      .replace(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, ''),
    category: among(partCategories, said.kind),
    grade: among(grades, said.grade),
    fits: said.fits && said.fits.length <= longestId ? said.fits : null,
    bin: /^[A-Z]{1,2}(\d{2})?$/.test(bin) ? bin : null,
    sort: among(shelfSorts, said.by) ?? plainQuery.sort,
    isDown: said.down === '1',
  };
}

/** The address of a view: only what differs from the plain one. */
export function shelfAddress({ place, words, category, grade, fits, bin, sort, isDown }: ShelfQuery): string {
  const said = {
    show: place === plainQuery.place ? null : place,
    q: words || null,
    kind: category,
    grade,
    fits,
    bin,
    by: sort === plainQuery.sort ? null : sort,
    down: isDown ? '1' : null,
  };
  return Object.entries(said)
    .flatMap(([name, value]) => (value === null ? [] : [`${name}=${encodeURIComponent(value)}`]))
    .join('&');
}
