import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { UnitStage } from '@/core/entities/stages';
import type { UnitRow } from '@/data/rows';
import { toUnit } from './unitRows';

/** All units at some stages, by the number of their tag. */
export async function unitsAt(db: Knex, stages: readonly UnitStage[]): Promise<readonly Unit[]> {
  const rows = (await db('units').whereIn('stage', stages).orderBy('tag_no')) as UnitRow[];
  return rows.map(toUnit);
}

/** Units that wait on a fixture. */
export async function unitsWithTimer(db: Knex): Promise<readonly Unit[]> {
  return ((await db('units').whereNotNull('timer_on').orderBy('tag_no')) as UnitRow[]).map(toUnit);
}

/** Donors that promise a part to another unit. */
export async function unitsThatPromise(db: Knex): Promise<readonly Unit[]> {
  const rows = (await db('units')
    .where({ stage: 'teardown' })
    .whereNot('promised', '{}')
    .orderBy('tag_no')) as UnitRow[];
  return rows.map(toUnit);
}

export async function findUnit(db: Knex, where: Partial<Pick<UnitRow, 'id' | 'tag'>>): Promise<Unit | undefined> {
  const row = (await db('units').where(where).first()) as UnitRow | undefined;
  return row && toUnit(row);
}

/** A unit that stays as it is until the transaction ends. */
export async function lockUnit(trx: Knex, id: string): Promise<Unit | undefined> {
  const row = (await trx('units').where({ id }).forUpdate().first()) as UnitRow | undefined;
  return row && toUnit(row);
}

export async function unitsById(db: Knex, ids: readonly string[]): Promise<readonly Unit[]> {
  return ((await db('units').whereIn('id', ids)) as UnitRow[]).map(toUnit);
}

/** Units that left the shop with one of these serials, by serial: what comes again is a return. */
export async function sentWithSerial(db: Knex, serials: readonly string[]): Promise<Readonly<Record<string, string>>> {
  const rows = (await db('units')
    .whereIn('serial', [...new Set(serials)])
    .andWhere({ stage: 'sent' })
    .orderBy('tag_no')
    .select('serial', 'tag')) as { serial: string; tag: string }[];
  return Object.fromEntries(rows.map(({ serial, tag }) => [serial, tag]));
}

export async function unitsOfShipment(db: Knex, shipment: string): Promise<readonly Unit[]> {
  const rows = (await db('units').where({ shipment }).orderBy('tag_no')) as UnitRow[];
  return rows.map(toUnit);
}

/** All units of a parcel, newest first. */
export async function unitsOfParcel(db: Knex, parcelId: string): Promise<readonly Unit[]> {
  const rows = (await db('units').where({ parcel_id: parcelId }).orderBy('tag_no', 'desc')) as UnitRow[];
  return rows.map(toUnit);
}

export async function tagsOfUnits(db: Knex, ids: readonly string[]): Promise<Readonly<Record<string, string>>> {
  const rows = (await db('units')
    .whereIn('id', [...new Set(ids)])
    .select('id', 'tag')) as Pick<UnitRow, 'id' | 'tag'>[];
  return Object.fromEntries(rows.map(({ id, tag }) => [id, tag]));
}
