import type { Knex } from 'knex';
import type { Person } from '@/core/people/roles';
import { findPerson } from '@/data/people/peopleRepository';

/** What a browser keeps of a sign-in: who, where, and by which state of the person. */
export interface SignedIn {
  readonly personId: string;
  readonly bench: string;
  readonly epoch: number;
}

/** The person as they are today; nobody once they have left, got another PIN, or may do something else. */
export async function readSignedIn(db: Knex, { personId, bench, epoch }: SignedIn): Promise<Person | undefined> {
  const row = await findPerson(db, personId);
  if (!row || row.left_at !== null || row.epoch !== epoch) return undefined;
  return { id: row.id, name: row.name, role: row.role, bench };
}
