import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { unitsWithTimer } from '@/data/units/unitRepository';

/** Units that wait on fixtures, wherever they do: whoever is near hears it. */
export const readTimers = (db: Knex): Promise<readonly Unit[]> => unitsWithTimer(db);
