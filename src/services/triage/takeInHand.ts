import type { Knex } from 'knex';
import type { Person } from '@/core/people/roles';
import { accept } from '@/core/shared/outcome';
import { transaction } from '@/data/transaction';
import { takeHold } from '@/data/triage/holds';

/** Takes a unit in hand at triage, so that nobody else begins with it. False when somebody else has it. */
export async function takeInHand(db: Knex, unitId: string, person: Person, now: Date): Promise<boolean> {
  const taken = await transaction(db, async (trx) => accept(await takeHold(trx, unitId, person.id, now)));
  return taken.ok && taken.value;
}
