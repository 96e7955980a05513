import type { Knex } from 'knex';
import { isAtLeastRole, type Person } from '@/core/people/roles';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findPerson } from '@/data/people/peopleRepository';
import { findSelfTest, type SelfTest } from './selfTestRepository';

/** A page that holds, and under whose name what it reads is recorded, at the bench where it was made. */
export interface MadeSelfTest extends SelfTest {
  readonly person: Person;
}

/** @refuses 'self-test-over' also when who made the page has left, or may record nothing any more */
export async function madeSelfTest(db: Knex, code: string, now: Date): Promise<Outcome<MadeSelfTest>> {
  const test = await findSelfTest(db, code, now);
  const maker = test && (await findPerson(db, test.madeBy));
  if (!maker || maker.left_at !== null || !isAtLeastRole(maker.role, 'technician'))
    return refuse('self-test-over', { code });
  return accept({ ...test, person: { id: maker.id, name: maker.name, role: maker.role, bench: test.bench } });
}
