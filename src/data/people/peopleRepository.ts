import type { Knex } from 'knex';
import type { PinState } from '@/core/people/lockOut';
import type { BenchRow, PersonRow } from '@/data/rows';

export type PersonName = Pick<PersonRow, 'id' | 'name' | 'role'>;

export async function listPeople(db: Knex): Promise<readonly PersonName[]> {
  return (await db('people').select('id', 'name', 'role').orderBy('name')) as PersonName[];
}

export async function listBenches(db: Knex): Promise<readonly BenchRow[]> {
  return (await db('benches').orderBy('id')) as BenchRow[];
}

export async function findPersonForUpdate(trx: Knex, id: string): Promise<PersonRow | undefined> {
  return (await trx('people').where({ id }).forUpdate().first()) as PersonRow | undefined;
}

export async function findPersonName(db: Knex, id: string): Promise<string | undefined> {
  const row = (await db('people').where({ id }).first('name')) as Pick<PersonRow, 'name'> | undefined;
  return row?.name;
}

export async function savePinState(trx: Knex, id: string, { failedCount, lockedUntil }: PinState): Promise<void> {
  await trx('people').where({ id }).update({ failed_count: failedCount, locked_until: lockedUntil });
}

export async function insertPerson(
  db: Knex,
  person: Pick<PersonRow, 'id' | 'name' | 'role' | 'pin_hash'>,
): Promise<void> {
  await db('people').insert(person);
}
