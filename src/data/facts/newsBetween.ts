import type { Knex } from 'knex';
import type { News, Whereabouts } from '@/core/shop/news';
import type { FactRow, PartRow, TouchedRow, UnitRow } from '@/data/rows';

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
      type === 'cell-conditioned' ||
      touched.some((own) => fieldBefore(own, 'timer') != null || fieldBefore(own, 'conditioning') != null),
    at: [...new Set(touched.flatMap((own) => [...placesBefore(own), ...(now.get(own.id) ?? [])]))],
  }));
}

/** A field as it was; undefined where it was the same, or there was none. */
const fieldBefore = (touched: TouchedRow, name: string): unknown =>
  'was' in touched ? touched.was.fields[name] : (touched.before as Readonly<Record<string, unknown>> | null)?.[name];

function placesBefore(touched: TouchedRow): readonly Whereabouts[] {
  if (touched.kind === 'parcel' || touched.kind === 'line') return ['dock'];
  const at = fieldBefore(touched, touched.kind === 'unit' ? 'stage' : 'place') as Whereabouts | undefined;
  return at === undefined ? [] : [at];
}

/** Where things are now; a unit that was tagged for a line has left the dock. */
async function placesOf(
  db: Knex,
  touched: readonly TouchedRow[],
): Promise<ReadonlyMap<string, readonly Whereabouts[]>> {
  const idsOf = (wanted: TouchedRow['kind']) => touched.flatMap(({ kind, id }) => (kind === wanted ? [id] : []));
  const [units, parts] = await Promise.all([
    db('units').whereIn('id', idsOf('unit')).select('id', 'stage') as Promise<Pick<UnitRow, 'id' | 'stage'>[]>,
    db('parts').whereIn('id', idsOf('part')).select('id', 'place') as Promise<Pick<PartRow, 'id' | 'place'>[]>,
  ]);
  return new Map<string, readonly Whereabouts[]>([
    ...units.map(({ id, stage }) => [id, [stage]] as const),
    ...parts.map(({ id, place }) => [id, [place]] as const),
  ]);
}
