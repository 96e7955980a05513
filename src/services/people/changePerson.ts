import type { Knex } from 'knex';
import { judgeMember, mustSignInAnew, type MemberDetails } from '@/core/people/roster';
import { changedFields } from '@/core/people/shopChange';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { membersForUpdate, saveMember } from '@/data/people/peopleRepository';
import { insertShopChange } from '@/data/people/shopChanges';
import { transaction } from '@/data/transaction';

/**
 * Changes what is said of a person. Who leaves, or is called or may do something else, signs in anew.
 *
 * @param expects  the version that the lead saw
 * @refuses 'not-found', 'stale', 'name-taken', 'last-lead'
 */
export async function changePerson(
  db: Knex,
  id: string,
  expects: number,
  details: MemberDetails,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<{ readonly version: number }>> {
  return transaction(db, async (trx) => {
    const everybody = await membersForUpdate(trx);
    const before = everybody.find((member) => member.id === id);
    if (!before) return refuse('not-found', { id });
    const judged = judgeMember(everybody, id, details);
    if (!judged.ok) return judged;
    const { id: _, version, ...was } = before;
    const fields = changedFields<keyof MemberDetails>(was, judged.value);
    // Sent twice, the second finds nothing left to change.
    if (fields.length === 0) return accept({ version });
    if (version !== expects) return refuse('person-stale', { name: before.name });
    await saveMember(trx, id, judged.value, {
      leftAt: judged.value.hasLeft ? made.at : null,
      endsSessions: mustSignInAnew(was, judged.value),
    });
    await insertShopChange(trx, { kind: 'person-changed', about: judged.value.name, fields }, made);
    return accept({ version: version + 1 });
  });
}
