import type { Knex } from 'knex';
import type { UnitPhotoRow } from '@/data/rows';

/** Keeps a picture. The same picture sent again changes nothing. */
export async function insertPhoto(db: Knex, photo: UnitPhotoRow): Promise<void> {
  await db('unit_photos').insert(photo).onConflict('id').ignore();
}

export async function findPhoto(db: Knex, unitId: string, id: string): Promise<Buffer | undefined> {
  const row = (await db('unit_photos').where({ id, unit_id: unitId }).first('jpeg')) as
    Pick<UnitPhotoRow, 'jpeg'> | undefined;
  return row?.jpeg;
}
