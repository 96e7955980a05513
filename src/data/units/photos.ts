import type { Knex } from 'knex';
import type { UnitPhotoRow } from '@/data/rows';

/** Keeps a picture. The same picture sent again changes nothing. */
export async function insertPhoto(db: Knex, photo: UnitPhotoRow): Promise<void> {
  await db('unit_photos').insert(photo).onConflict('id').ignore();
}

/** How many pictures of a unit there are besides one. */
export async function countOtherPhotos(db: Knex, unitId: string, id: string): Promise<number> {
  const row = await db('unit_photos').where({ unit_id: unitId }).whereNot({ id }).count({ n: '*' }).first();
  return Number(row?.n ?? 0);
}

/** Removes the pictures of units that are no longer there. */
export async function deletePhotosOf(trx: Knex, unitIds: readonly string[]): Promise<void> {
  await trx('unit_photos')
    .whereIn('unit_id', [...unitIds])
    .delete();
}

export async function findPhoto(db: Knex, unitId: string, id: string): Promise<Buffer | undefined> {
  const row = (await db('unit_photos').where({ id, unit_id: unitId }).first('jpeg')) as
    Pick<UnitPhotoRow, 'jpeg'> | undefined;
  return row?.jpeg;
}
