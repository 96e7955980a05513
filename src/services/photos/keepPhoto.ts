import type { Knex } from 'knex';
import type { Person } from '@/core/people/roles';
import { message } from '@/core/shared/message';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { transaction } from '@/data/transaction';
import { insertPhoto } from '@/data/units/photos';
import { findUnit } from '@/data/units/unitRepository';

export const mostPhotoBytes = 3_000_000;

export interface PhotoToKeep {
  readonly id: string;
  readonly unitId: string;
  readonly jpeg: Uint8Array;
}

/**
 * Keeps a picture of a unit, before the fact that says what it shows.
 *
 * @refuses 'not-found' for a unit that is not here, 'file-too-large', 'file-unreadable' for what is no JPEG
 */
export function keepPhoto(db: Knex, photo: PhotoToKeep, by: Person, now: Date): Promise<Outcome<null>> {
  const { id, unitId } = photo;
  const jpeg = Buffer.from(photo.jpeg);
  return transaction(db, async (trx): Promise<Outcome<null>> => {
    if (jpeg.length > mostPhotoBytes) return refuse('file-too-large', { most: '3 MB' });
    if (jpeg[0] !== 0xff || jpeg[1] !== 0xd8) return refuse('file-unreadable', { says: message('refusals.notJpeg') });
    if (!(await findUnit(trx, { id: unitId }))) return refuse('not-found', { id: unitId });
    await insertPhoto(trx, { id, unit_id: unitId, jpeg, taken_by: by.id, taken_at: now });
    return accept(null);
  });
}
