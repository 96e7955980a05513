import type { Knex } from 'knex';
import { addPerson } from '@/services/people/addPerson';

/** Makes an empty shop usable: a first lead, whose PIN is shown once. Everything else is done on the screens. */
export async function prepareOwnShop(db: Knex): Promise<{ readonly firstPin: string | null }> {
  const [row] = (await db('people').count({ n: '*' })) as { n: number }[];
  if (row && row.n > 0) return { firstPin: null };
  const added = await addPerson(db, { name: 'First lead', role: 'lead' });
  return { firstPin: added.ok ? added.value.pin : null };
}
