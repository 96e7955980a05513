import type { Knex } from 'knex';
import type { Member, MemberDetails } from '@/core/people/roster';
import type { PersonRow } from '@/data/rows';
import { forgetAllTries } from './pinTries';
import { endSessionsOf } from './sessionRepository';

const toMember = (row: PersonRow): Member => ({
  id: row.id,
  name: row.name,
  role: row.role,
  usualBench: row.usual_bench,
  certifiedUntil: row.certified_until,
  hasLeft: row.left_at !== null,
  version: row.version,
});

/** Everybody, also those who have left, by name. */
export async function listMembers(db: Knex): Promise<readonly Member[]> {
  return ((await db('people').orderBy('name')) as PersonRow[]).map(toMember);
}

/** The same, locked, so that nobody else changes the roster meanwhile. */
export async function membersForUpdate(trx: Knex): Promise<readonly Member[]> {
  return ((await trx('people').orderBy('id').forUpdate()) as PersonRow[]).map(toMember);
}

export async function findPersonForUpdate(trx: Knex, id: string): Promise<PersonRow | undefined> {
  return (await trx('people').where({ id }).forUpdate().first()) as PersonRow | undefined;
}

/** Somebody as they are now, for each request of theirs. */
export async function findPerson(db: Knex, id: string): Promise<PersonRow | undefined> {
  return (await db('people').where({ id }).first()) as PersonRow | undefined;
}

export async function findMember(db: Knex, id: string): Promise<Member | undefined> {
  const row = await findPerson(db, id);
  return row && toMember(row);
}

export async function findPersonName(db: Knex, id: string): Promise<string | undefined> {
  return (await findPerson(db, id))?.name;
}

export async function saveSignedIn(trx: Knex, id: string, at: Date): Promise<void> {
  await trx('people').where({ id }).update({ signed_in_at: at });
}

/** Leads who have never signed in. */
export async function leadsNeverIn(db: Knex): Promise<readonly PersonRow[]> {
  return (await db('people').where({ role: 'lead', left_at: null, signed_in_at: null })) as PersonRow[];
}

/** A new PIN also opens what wrong ones had locked, and ends what was signed in by the old one. */
export async function saveNewPin(trx: Knex, id: string, pinHash: string): Promise<void> {
  await trx('people').where({ id }).update({ pin_hash: pinHash });
  await forgetAllTries(trx, id);
  await endSessionsOf(trx, id);
}

export async function savePutAway(trx: Knex, id: string, guides: PersonRow['put_away']): Promise<void> {
  await trx('people')
    .where({ id })
    .update({ put_away: JSON.stringify(guides) });
}

export async function saveMember(
  trx: Knex,
  id: string,
  details: MemberDetails,
  change: { readonly leftAt: Date | null; readonly endsSessions: boolean },
): Promise<void> {
  await trx('people')
    .where({ id })
    .update({
      name: details.name,
      role: details.role,
      usual_bench: details.usualBench,
      certified_until: details.certifiedUntil,
      left_at: change.leftAt,
    })
    .increment('version', 1);
  if (change.endsSessions) await endSessionsOf(trx, id);
}

export async function insertPerson(
  db: Knex,
  person: Pick<PersonRow, 'id' | 'name' | 'role' | 'pin_hash'> &
    Partial<Pick<PersonRow, 'usual_bench' | 'certified_until'>>,
): Promise<void> {
  await db('people').insert(person);
}
