import type { Knex } from 'knex';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { digestOf, endSession, endSessionById } from '@/data/people/sessionRepository';

/** Signs out: whoever still holds the same token holds nothing. */
export async function closeSession(db: Knex, token: string): Promise<void> {
  await endSession(db, digestOf(token));
}

/** Signs somebody out from elsewhere. @refuses 'not-found' when that sign-in is over already */
export const closeSessionById = async (db: Knex, id: string): Promise<Outcome<null>> =>
  (await endSessionById(db, id)) ? accept(null) : refuse('not-found', { id });
