import type { Knex } from 'knex';
import type { Grade } from '@/core/shared/grades';
import { grouped } from '@/core/shared/grouped';

/** Two parts on the shelf that came out of one unit and work only together. */
export interface BoundPair {
  /** Of the first and the second class. */
  readonly partIds: readonly [string, string];
  readonly grades: readonly [Grade, Grade];
}

interface Lying {
  readonly id: string;
  readonly unit_id: string;
  readonly interchange: string;
  readonly grade: Grade;
}

/** Pairs of these two classes on the shelf, the oldest first. */
export async function boundOnShelf(db: Knex, [one, other]: readonly [string, string]): Promise<readonly BoundPair[]> {
  const lying = (await db('parts')
    .where({ place: 'shelf' })
    .whereIn('interchange', [one, other])
    .orderBy('tag_no')
    .select('id', 'unit_id', 'interchange', 'grade')) as Lying[];
  return [...grouped(lying, ({ unit_id }) => unit_id).values()].flatMap((own): readonly BoundPair[] => {
    const [first, second] = [one, other].map((interchange) => own.find((part) => part.interchange === interchange));
    if (!first || !second) return [];
    return [{ partIds: [first.id, second.id], grades: [first.grade, second.grade] }];
  });
}
