import type { Knex } from 'knex';
import { accept } from '@/core/shared/outcome';
import { isDuplicate } from '@/data/errors';
import { insertModel, newestVersion, type Publication } from '@/data/models/modelRepository';
import { transaction } from '@/data/transaction';
import { isPublishable, readModelDocument } from '@/files/readModelDocument';
import { shippedModelFiles } from '@/files/shippedModelFiles';

/**
 * Publishes the models that ship with the application; what the library has already stays as it is.
 *
 * @returns how many are new
 */
export async function takeShippedModels(db: Knex, publication: Omit<Publication, 'note'>): Promise<number> {
  let taken = 0;
  for (const text of shippedModelFiles()) {
    const read = readModelDocument(text);
    const { model } = read;
    if (!model || !isPublishable(read)) throw new Error(`takeShippedModels: ${JSON.stringify(read.problems)}`);
    if (((await newestVersion(db, model.id)) ?? 0) >= model.version) continue;
    const note = 'ships with Plucky Parcel';
    await transaction(db, async (trx) => {
      await insertModel(trx, model, { ...publication, note });
      taken += 1;
      return accept(null);
    }).catch((error: unknown) => {
      // Somebody else pressed at the same moment: it is there now.
      if (!isDuplicate(error)) throw error;
    });
  }
  return taken;
}
