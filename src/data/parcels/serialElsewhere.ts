import type { Knex } from 'knex';
import type { ParcelLine, Unit } from '@/core/entities/entities';
import type { ParcelLineRow, UnitRow } from '@/data/rows';
import { toLine } from './parcelRows';

const mostAsked = 5;

/** Lines of other parcels with this serial that no unit was tagged for. */
export async function openLinesWithSerial(db: Knex, serial: string): Promise<readonly ParcelLine[]> {
  const rows = (await db('parcel_lines as l')
    .leftJoin('units as u', (join) => join.on('u.parcel_id', 'l.parcel_id').andOn('u.line_no', 'l.line_no'))
    .where('l.serial', serial)
    .whereNull('u.id')
    .select('l.*')
    .limit(mostAsked)) as ParcelLineRow[];
  return rows.map(toLine);
}

/** Units that carry this serial, or stand for a line that does, the newest first. */
export async function unitsWithSerial(
  db: Knex,
  serial: string,
): Promise<readonly Pick<Unit, 'tag' | 'stage' | 'parcelId'>[]> {
  const ofLines = db('parcel_lines as l')
    .join('units as o', (join) => join.on('o.parcel_id', 'l.parcel_id').andOn('o.line_no', 'l.line_no'))
    .where('l.serial', serial)
    .select('o.id');
  const rows = (await db('units as u')
    .join(db('units').select('id').where({ serial }).union(ofLines).as('found'), 'found.id', 'u.id')
    .select('u.tag', 'u.stage', 'u.parcel_id')
    .orderBy('u.tag_no', 'desc')
    .limit(mostAsked)) as Pick<UnitRow, 'tag' | 'stage' | 'parcel_id'>[];
  return rows.map(({ tag, stage, parcel_id: parcelId }) => ({ tag, stage, parcelId }));
}
