import type { Knex } from 'knex';
import type { TwoLooks } from '@/core/agreement/disputes';
import type { Part } from '@/core/entities/entities';
import type { Payloads } from '@/core/shop/facts';
import { standingFacts } from '@/data/facts/standingFacts';
import type { PartRow } from '@/data/rows';
import { toPart } from './partRows';

interface GradedRow {
  readonly partId: string;
  readonly position: number;
  readonly by: string;
  readonly payload: Payloads['part-graded'];
}

/** Facts of a type about parts with who did them; of some parts, or of all. */
const gradedBy = (db: Knex, type: 'part-graded' | 'part-looked-again') =>
  standingFacts(db)
    .leftJoin('doers as d', 'd.fact_id', 'e.id')
    .where('e.type', type)
    .select({
      partId: 'e.part_id',
      position: 'e.position',
      by: db.raw('coalesce(d.person_id, e.person_id)'),
      payload: 'e.payload',
    });

/** Every grade that some parts were given, in their order. */
async function gradesOf(db: Knex, partIds: readonly string[]): Promise<readonly GradedRow[]> {
  const positions = (await db('fact_parts').whereIn('part_id', partIds).pluck('position')) as number[];
  return (await gradedBy(db, 'part-graded').whereIn('e.position', positions).orderBy('e.position')) as GradedRow[];
}

/**
 * The newest second looks, each with the grade that stood when it was made: by whom, and what both read. A look at a grade that
 * was moved to a file is left out.
 */
export async function twoLooks(db: Knex, most: number): Promise<readonly TwoLooks[]> {
  const seconds = (await gradedBy(db, 'part-looked-again').orderBy('e.position', 'desc').limit(most)) as GradedRow[];
  const ids = [...new Set(seconds.map(({ partId }) => partId))];
  const [firsts, parts] = await Promise.all([
    gradesOf(db, ids),
    db('parts').whereIn('id', ids).select('id', 'category', 'interchange') as Promise<
      Pick<PartRow, 'id' | 'category' | 'interchange'>[]
    >,
  ]);
  const partOf = new Map(parts.map((part) => [part.id, part]));
  return seconds.flatMap((second): TwoLooks[] => {
    const part = partOf.get(second.partId);
    const first = firsts.findLast(({ partId, position }) => partId === second.partId && position < second.position);
    if (!part || !first?.payload.verdict || !second.payload.verdict) return [];
    return [
      {
        category: part.category,
        interchange: part.interchange,
        first: first.payload.verdict.grade,
        second: second.payload.verdict.grade,
        readings: [first.payload.readings, second.payload.readings],
        by: [first.by, second.by],
      },
    ];
  });
}

/** Stored parts that nobody has looked at twice and that this person did not grade, the newest tags first. */
export async function partsToLookAt(db: Knex, personId: string, most: number): Promise<readonly Part[]> {
  const rows = (await db('parts')
    .where({ place: 'shelf', is_looked_twice: 0 })
    .orderBy('tag_no', 'desc')
    .limit(most)) as PartRow[];
  const graded = await gradesOf(
    db,
    rows.map(({ id }) => id),
  );
  const own = new Set(graded.filter(({ by }) => by === personId).map(({ partId }) => partId));
  return rows.filter(({ id, grade }) => grade !== null && !own.has(id)).map(toPart);
}
