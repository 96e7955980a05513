import type { Knex } from 'knex';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { addPerson } from '@/services/people/addPerson';
import { importModel } from '@/services/models/importModel';
import { projectRoot } from './home';

/** Publishes the models that ship with the application. */
export async function loadShippedModels(db: Knex, now: Date): Promise<void> {
  const folder = join(projectRoot, 'data', 'models');
  for (const file of readdirSync(folder).sort()) {
    const imported = await importModel(db, readFileSync(join(folder, file), 'utf8'), {
      at: now,
      note: 'ships with Plucky Parcel',
      by: '',
    });
    if (!imported.ok && imported.refusal.reason !== 'code-taken') {
      throw new Error(`${file}: ${JSON.stringify(imported.refusal)}`);
    }
  }
}

/** Makes an empty shop usable: shipped models and a first lead, whose PIN is shown once. */
export async function prepareOwnShop(db: Knex, now: Date): Promise<{ readonly firstPin: string | null }> {
  await loadShippedModels(db, now);
  const [row] = (await db('people').count({ n: '*' })) as { n: number }[];
  if (row && row.n > 0) return { firstPin: null };
  const { pin } = await addPerson(db, { name: 'First lead', role: 'lead' });
  return { firstPin: pin };
}
