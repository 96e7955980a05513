import type { Knex } from 'knex';
import { Chance } from '@/core/shared/chance';
import { findModel } from '@/data/models/modelRepository';
import { unitsAt } from '@/data/units/unitRepository';
import { DemoBench } from './demoBench';
import { startTeardown, workSheet } from './stages';
import { Workday } from './workday';

/** Takes the units at Teardown apart to the end, so that all of their parts wait at Grade. @returns their ids */
export async function takeApartAll(db: Knex, now: Date): Promise<readonly string[]> {
  const units = await unitsAt(db, ['teardown']);
  const models = await Promise.all(
    units.map(({ modelId, modelVersion }) => findModel(db, modelId ?? '', modelVersion ?? 0)),
  );
  const lead = (await db('people').where({ role: 'lead' }).first('id', 'name')) as { id: string; name: string };
  const bench = new DemoBench(
    db,
    [{ ...lead, role: 'lead', bench: 'bench-1' }],
    models.flatMap((model) => model ?? []),
    new Chance(31),
    new Workday(new Date(now.getTime() - 3 * 3600_000), now),
    units,
  );
  for (const { id, sheet } of units) {
    if (!sheet) await startTeardown(bench, id);
    await workSheet(bench, id);
  }
  return units.map(({ id }) => id);
}
