import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Role } from '@/core/people/roles';
import { judgeMember, type MemberDetails } from '@/core/people/roster';
import { changedFields } from '@/core/people/shopChange';
import { accept, type Outcome } from '@/core/shared/outcome';
import { insertPerson, membersForUpdate } from '@/data/people/peopleRepository';
import { insertShopChange } from '@/data/people/shopChanges';
import { transaction } from '@/data/transaction';
import { drawPin, hashPin } from '@/data/people/pins';

interface NewPerson {
  readonly name: string;
  readonly role: Role;
  readonly usualBench?: string | null;
  readonly certifiedUntil?: string | null;
  /** Random ones unless given. */
  readonly id?: string;
  readonly pin?: string;
}

/**
 * Adds a person with a PIN.
 *
 * @param made  by which lead; null for the shop's own command
 * @refuses 'name-taken'
 */
export async function addPerson(
  db: Knex,
  person: NewPerson,
  made: { readonly at: Date; readonly by: string } | null = null,
): Promise<Outcome<{ readonly id: string; readonly pin: string }>> {
  const pin = person.pin ?? drawPin();
  const pinHash = await hashPin(pin);
  const given: MemberDetails = {
    name: person.name,
    role: person.role,
    usualBench: person.usualBench ?? null,
    certifiedUntil: person.certifiedUntil ?? null,
    hasLeft: false,
  };
  return transaction(db, async (trx) => {
    const judged = judgeMember(await membersForUpdate(trx), null, given);
    if (!judged.ok) return judged;
    const { name, role, usualBench, certifiedUntil } = judged.value;
    const id = person.id ?? randomUUID();
    await insertPerson(trx, {
      id,
      name,
      role,
      pin_hash: pinHash,
      usual_bench: usualBench,
      certified_until: certifiedUntil,
    });
    const nobody = { name: null, role: null, usualBench: null, certifiedUntil: null };
    const fields = changedFields(nobody, { name, role, usualBench, certifiedUntil });
    if (made) await insertShopChange(trx, { kind: 'person-added', about: name, fields }, made);
    return accept({ id, pin });
  });
}
