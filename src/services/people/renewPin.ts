import type { Knex } from 'knex';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findPersonForUpdate, saveNewPin } from '@/data/people/peopleRepository';
import { insertShopChange } from '@/data/people/shopChanges';
import { transaction } from '@/data/transaction';
import { drawPin, hashPin } from '@/data/people/pins';

/** Gives a person a new PIN, shown once; whoever is signed in by the old one is signed out. @refuses 'not-found' */
export async function renewPin(
  db: Knex,
  id: string,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<{ readonly pin: string }>> {
  const pin = drawPin();
  const pinHash = await hashPin(pin);
  return transaction(db, async (trx) => {
    const person = await findPersonForUpdate(trx, id);
    if (!person) return refuse('not-found', { id });
    await saveNewPin(trx, id, pinHash);
    await insertShopChange(trx, { kind: 'pin-renewed', about: person.name, fields: [] }, made);
    return accept({ pin });
  });
}
