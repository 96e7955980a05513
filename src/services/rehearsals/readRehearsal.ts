import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import type { Recall } from '@/core/rehearsal/recall';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { recallsOf } from '@/data/rehearsals/rehearsalRepository';

export interface RehearsalView {
  readonly model: Model;
  readonly recalls: readonly Recall[];
}

/** A model to practise on, with what this person remembers of it. */
export async function readRehearsal(db: Knex, modelId: string, personId: string): Promise<RehearsalView | undefined> {
  const version = await newestVersion(db, modelId);
  const model = version === undefined ? undefined : await findModel(db, modelId, version);
  return model && { model, recalls: await recallsOf(db, personId, modelId) };
}
