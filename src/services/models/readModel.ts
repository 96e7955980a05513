import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { findModel, newestVersion } from '@/data/models/modelRepository';

/** One model, the newest version unless one is named. */
export async function readModel(db: Knex, id: string, version?: number): Promise<Model | undefined> {
  const wanted = version ?? (await newestVersion(db, id));
  return wanted === undefined ? undefined : findModel(db, id, wanted);
}
