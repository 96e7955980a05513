import type { Knex } from 'knex';
import type { News, Whereabouts } from '@/core/shop/news';
import type { Touched } from '@/core/shop/world';
import type { FactRow, PartRow, UnitRow } from '@/data/rows';

/** More than this is not told one by one. */
const mostTold = 60;

/** What the facts after one position of the log, up to another, are about. */
export async function newsBetween(db: Knex, after: number, upTo: number): Promise<News> {
  if (upTo - after > mostTold) return null;
  const rows = (await db('facts as e')
    .leftJoin('units as u', 'u.id', 'e.unit_id')
    .where('e.position', '>', after)
    .where('e.position', '<=', upTo)
    .orderBy('e.position')
    .select('e.type', 'e.part_id', 'e.touched', { unit: 'u.tag' })) as (Pick<
    FactRow,
    'type' | 'part_id' | 'touched'
  > & {
    unit: string | null;
  })[];
  const now = await placesOf(
    db,
    rows.flatMap(({ touched }) => touched),
  );
  return rows.map(({ type, part_id, touched, unit }) => ({
    unit,
    isOfPart: part_id !== null,
    turnsTimer:
      type === 'wait-begun' ||
      // What is taken back may have been a wait.
      type === 'undone' ||
      touched.some(({ before }) => before !== null && 'timer' in before && before.timer !== null),
    at: [...new Set(touched.flatMap((own) => [...placesBefore(own), ...(now.get(own.id) ?? [])]))],
  }));
}

function placesBefore({ kind, before }: Touched): readonly Whereabouts[] {
  if (kind === 'parcel' || kind === 'line') return ['dock'];
  if (before === null) return [];
  if ('stage' in before) return [before.stage];
  return 'place' in before ? [before.place] : [];
}

/** Where things are now; a unit that was tagged for a line has left the dock. */
async function placesOf(db: Knex, touched: readonly Touched[]): Promise<ReadonlyMap<string, readonly Whereabouts[]>> {
  const idsOf = (wanted: Touched['kind']) => touched.flatMap(({ kind, id }) => (kind === wanted ? [id] : []));
  const [units, parts] = await Promise.all([
    db('units').whereIn('id', idsOf('unit')).select('id', 'stage') as Promise<Pick<UnitRow, 'id' | 'stage'>[]>,
    db('parts').whereIn('id', idsOf('part')).select('id', 'place') as Promise<Pick<PartRow, 'id' | 'place'>[]>,
  ]);
  return new Map<string, readonly Whereabouts[]>([
    ...units.map(({ id, stage }) => [id, [stage]] as const),
    ...parts.map(({ id, place }) => [id, [place]] as const),
  ]);
}
