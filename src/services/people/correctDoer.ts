import type { Knex } from 'knex';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findDoer, removeDoer, writeDoer } from '@/data/facts/doers';
import { listMembers } from '@/data/people/peopleRepository';
import { insertShopChange } from '@/data/people/shopChanges';
import { transaction } from '@/data/transaction';

/**
 * Says who really did something that was recorded under another's sign-in. The log keeps the sign-in; lists and counts go
 * by who did it.
 *
 * @refuses 'not-found' for a fact or a person that is not there
 */
export async function correctDoer(
  db: Knex,
  factId: string,
  personId: string,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<{ readonly doer: string }>> {
  return transaction(db, async (trx) => {
    const [recorded, members] = await Promise.all([findDoer(trx, factId), listMembers(trx)]);
    const nameOf = (id: string) => members.find((member) => member.id === id)?.name;
    const [name, was] = [nameOf(personId), recorded && nameOf(recorded.doer)];
    if (!recorded) return refuse('not-found', { id: factId });
    if (name === undefined) return refuse('not-found', { id: personId });
    if (recorded.doer === personId) return accept({ doer: personId });
    if (recorded.signedIn === personId) await removeDoer(trx, factId);
    else await writeDoer(trx, factId, personId, made);
    const fields = [{ field: 'doer', from: was ?? null, to: name }];
    await insertShopChange(trx, { kind: 'doer-corrected', about: name, fields }, made);
    return accept({ doer: personId });
  });
}
