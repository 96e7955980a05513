import type { Knex } from 'knex';
import { mostPhotosOfUnit } from '@/core/entities/mostPhotos';
import type { Person } from '@/core/people/roles';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { transaction } from '@/data/transaction';
import { countOtherPhotos, insertPhoto } from '@/data/units/photos';
import { lockUnit } from '@/data/units/unitRepository';
import { storedPicture } from '@/files/storedPicture';

export interface PhotoToKeep {
  readonly id: string;
  readonly unitId: string;
  /** A file that is said to be a picture. */
  readonly bytes: Uint8Array;
}

/**
 * Keeps a picture of a unit, before the fact that says what it shows. What is kept is drawn anew from its pixels.
 *
 * @refuses 'not-found' for a unit that is not here, 'pictures-full', and as `storedPicture`
 */
export async function keepPhoto(db: Knex, photo: PhotoToKeep, by: Person, now: Date): Promise<Outcome<null>> {
  const { id, unitId } = photo;
  const picture = await storedPicture(photo.bytes);
  if (!picture.ok) return picture;
  return transaction(db, async (trx): Promise<Outcome<null>> => {
    const unit = await lockUnit(trx, unitId);
    if (!unit) return refuse('not-found', { id: unitId });
    if ((await countOtherPhotos(trx, unitId, id)) >= mostPhotosOfUnit)
      return refuse('pictures-full', { tag: unit.tag, most: mostPhotosOfUnit });
    await insertPhoto(trx, { id, unit_id: unitId, jpeg: picture.value, taken_by: by.id, taken_at: now });
    return accept(null);
  });
}
