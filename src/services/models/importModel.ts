import * as words from '@/words/catalogue/models';
import { say } from '@/words/catalogue/core/checks';
import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { isDuplicate } from '@/data/errors';
import { insertModel, newestVersion, type Publication } from '@/data/models/modelRepository';
import { transaction } from '@/data/transaction';
import { isPublishable } from '@/files/readModelDocument';
import { readAside } from '@/workers/documents/readAside';

/**
 * Publishes a model document. A version once published is never changed: units keep the one they were planned with.
 *
 * @refuses 'model-invalid' with the first fault and how many there are; 'code-taken' for a version not above the newest; as `readAside`
 */
export async function importModel(db: Knex, text: string, publication: Publication): Promise<Outcome<Model>> {
  const told = await readAside('model', text);
  if (!told.ok) return told;
  const read = told.value;
  const { model, problems, more } = read;
  if (!model || !isPublishable(read)) {
    const [first] = problems.filter(({ severity }) => severity === 'error');
    return refuse('model-invalid', {
      count: problems.length + more,
      place: first?.place ?? '',
      says: first ? say(first.says) : '',
      mend: first ? say(first.mend) : '',
    });
  }
  const newest = await newestVersion(db, model.id);
  const taken = refuse('code-taken', {
    code: words.modelVersionNamed({ maker: model.maker, name: model.name, version: model.version }),
  });
  if (newest !== undefined && model.version <= newest) return taken;
  try {
    return await transaction(db, async (trx) => {
      await insertModel(trx, model, publication);
      return accept(model);
    });
  } catch (error) {
    if (isDuplicate(error)) return taken;
    throw error;
  }
}
