import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import type { Tallies } from '@/data/tallies/readTallies';
import type { FactRow } from '@/data/rows';

/** The number of a tag that was given. */
const numberOf = 'cast(substr(?, 3) as unsigned)';

export interface UnitOut extends Pick<
  Unit,
  'tag' | 'stage' | 'modelId' | 'modelVersion' | 'serial' | 'disposition' | 'saleGrade' | 'shipment'
> {
  readonly parcel: string;
  readonly line: number | null;
  readonly isWiped: boolean;
}

/** Units after a tag, in the order of their numbers. */
export async function unitsOut(db: Knex, after: string | undefined, limit: number): Promise<readonly UnitOut[]> {
  const query = db('units as u').join('parcels as p', 'p.id', 'u.parcel_id').orderBy('u.tag_no').limit(limit).select({
    tag: 'u.tag',
    stage: 'u.stage',
    modelId: 'u.model_id',
    modelVersion: 'u.model_version',
    serial: 'u.serial',
    disposition: 'u.disposition',
    saleGrade: 'u.sale_grade',
    shipment: 'u.shipment',
    parcel: 'p.code',
    line: 'u.line_no',
    isWiped: 'u.is_wiped',
  });
  if (after) query.whereRaw(`u.tag_no > ${numberOf}`, [after]);
  const rows = (await query) as (Omit<UnitOut, 'isWiped'> & { isWiped: number })[];
  return rows.map((row) => ({ ...row, isWiped: row.isWiped === 1 }));
}

export interface PartOut extends Pick<
  Part,
  'tag' | 'place' | 'modelId' | 'partRef' | 'category' | 'interchange' | 'state' | 'grade' | 'bin'
> {
  readonly limiting: string | null;
  /** Tag of the unit it came out of. */
  readonly unit: string | null;
}

/** Parts after a tag, in the order of their numbers. */
export async function partsOut(db: Knex, after: string | undefined, limit: number): Promise<readonly PartOut[]> {
  const page = db('parts').select('*').orderBy('tag_no').limit(limit).as('t');
  if (after) page.whereRaw(`tag_no > ${numberOf}`, [after]);
  return (await db(page).leftJoin('units as u', 'u.id', 't.unit_id').orderByRaw('length(t.tag), t.tag').select({
    tag: 't.tag',
    place: 't.place',
    modelId: 't.model_id',
    partRef: 't.part_ref',
    category: 't.category',
    interchange: 't.interchange',
    state: 't.state',
    grade: 't.grade',
    limiting: 't.limiting',
    bin: 't.bin',
    unit: 'u.tag',
  })) as PartOut[];
}

export interface StockOut {
  readonly interchange: string;
  readonly category: string;
  readonly grade: string;
  readonly count: number;
}

/** What lies on the shelf, by interchange class and grade. */
export const stockOut = ({ stock }: Tallies<'stock'>): readonly StockOut[] =>
  stock
    .map(({ about, more, count }) => {
      const [grade = '', category = ''] = more.split(' ');
      return { interchange: about, category, grade, count };
    })
    .sort(
      (a, b) =>
        (a.interchange < b.interchange ? -1 : Number(a.interchange > b.interchange)) || (a.grade < b.grade ? -1 : 1),
    );

export interface FactOut {
  readonly position: number;
  readonly id: string;
  readonly type: string;
  readonly at: string;
  readonly receivedAt: string;
  readonly clockOffS: number | null;
  readonly person: string | null;
  readonly bench: string;
  readonly unit: string | null;
  readonly part: string | null;
  readonly undoes: string | null;
  readonly payload: object;
}

/** Facts after a position of the log, in order. Positions have no gaps. */
export async function factsOut(db: Knex, after: number, limit: number): Promise<readonly FactOut[]> {
  const rows = (await db('facts as f')
    .leftJoin('doers as d', 'd.fact_id', 'f.id')
    .joinRaw('left join people as p on p.id = coalesce(d.person_id, f.person_id)')
    .leftJoin('units as u', 'u.id', 'f.unit_id')
    .leftJoin('parts as t', 't.id', 'f.part_id')
    .where('f.position', '>', after)
    .orderBy('f.position')
    .limit(limit)
    .select(
      'f.position',
      'f.id',
      'f.type',
      'f.client_at',
      'f.server_at',
      'f.clock_off_s',
      'f.bench',
      'f.undoes',
      'f.payload',
      {
        person: 'p.name',
        unit: 'u.tag',
        part: 't.tag',
      },
    )) as (Pick<
    FactRow,
    'position' | 'id' | 'type' | 'client_at' | 'server_at' | 'clock_off_s' | 'bench' | 'undoes' | 'payload'
  > &
    Pick<FactOut, 'person' | 'unit' | 'part'>)[];
  return rows.map((row) => ({
    position: row.position,
    id: row.id,
    type: row.type,
    at: row.client_at.toISOString(),
    receivedAt: row.server_at.toISOString(),
    clockOffS: row.clock_off_s,
    person: row.person,
    bench: row.bench,
    unit: row.unit,
    part: row.part,
    undoes: row.undoes,
    payload: row.payload,
  }));
}
