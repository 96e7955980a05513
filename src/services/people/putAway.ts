import type { Knex } from 'knex';
import type { Guide } from '@/core/people/guides';
import { accept } from '@/core/shared/outcome';
import { findPersonForUpdate, savePutAway } from '@/data/people/peopleRepository';
import { transaction } from '@/data/transaction';

/** Puts a guide away for one person; twice is as once. */
export async function putAway(db: Knex, personId: string, guide: Guide): Promise<void> {
  await transaction(db, async (trx) => {
    const person = await findPersonForUpdate(trx, personId);
    if (person && !person.put_away.includes(guide)) await savePutAway(trx, personId, [...person.put_away, guide]);
    return accept(null);
  });
}
