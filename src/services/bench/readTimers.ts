import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import { cellsOnChargers } from '@/data/parts/partRepository';
import { unitsWithTimer } from '@/data/units/unitRepository';

/** Whatever waits without anybody. */
export interface Waits {
  readonly units: readonly Unit[];
  readonly cells: readonly Part[];
}

/** Units that wait on fixtures and cells on their chargers, wherever they do: whoever is near hears it. */
export async function readTimers(db: Knex): Promise<Waits> {
  const [units, cells] = await Promise.all([unitsWithTimer(db), cellsOnChargers(db)]);
  return { units, cells };
}
