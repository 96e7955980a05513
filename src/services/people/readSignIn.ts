import type { Knex } from 'knex';
import { listBenches, listPeople, type PersonName } from '@/data/people/peopleRepository';
import type { BenchRow } from '@/data/rows';

export interface SignInView {
  readonly people: readonly PersonName[];
  readonly benches: readonly BenchRow[];
}

/** Who may sign in, and where. Names are no secret in a workshop. */
export async function readSignIn(db: Knex): Promise<SignInView> {
  const [people, benches] = await Promise.all([listPeople(db), listBenches(db)]);
  return { people, benches };
}
