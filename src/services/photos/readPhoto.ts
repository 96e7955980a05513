import type { Knex } from 'knex';
import { findPhoto } from '@/data/units/photos';

/** A picture of a unit as it was kept. */
export const readPhoto = (db: Knex, unitId: string, id: string): Promise<Buffer | undefined> =>
  findPhoto(db, unitId, id);
