import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { newestModels } from '@/data/models/modelRepository';

/** The library: the newest version of every model. */
export const readModels = (db: Knex): Promise<readonly Model[]> => newestModels(db);
