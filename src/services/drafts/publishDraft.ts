import * as words from '@/words/catalogue/models';
import { say } from '@/words/catalogue/core/checks';
import type { Knex } from 'knex';
import { tidied } from '@/core/drafting/tidied';
import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { isDuplicate } from '@/data/errors';
import { deleteDraft, findDraft } from '@/data/models/draftRepository';
import { insertModel, newestVersion, type Publication } from '@/data/models/modelRepository';
import { transaction } from '@/data/transaction';
import { isPublishable } from '@/files/readModelDocument';
import { readAside } from '@/workers/documents/readAside';

/**
 * Publishes a draft as the next version of its model; the draft is done with then.
 *
 * @param expects  the version of the draft that the person saw
 * @refuses 'not-found', 'draft-stale', 'model-invalid' with the first fault, 'code-taken' when somebody published first
 */
export async function publishDraft(
  db: Knex,
  id: string,
  expects: number,
  publication: Publication,
): Promise<Outcome<Model>> {
  try {
    return await transaction(db, async (trx) => {
      const draft = await findDraft(trx, id);
      if (!draft) return refuse('not-found');
      if (draft.version !== expects) return refuse('draft-stale', { by: draft.savedBy, version: draft.version });
      const version = ((await newestVersion(trx, draft.document.id)) ?? 0) + 1;
      const told = await readAside('model', JSON.stringify({ ...tidied(draft.document), version }));
      if (!told.ok) return told;
      const read = told.value;
      const faults = read.problems.filter(({ severity }) => severity === 'error');
      const [first] = faults;
      if (!read.model || !isPublishable(read)) {
        return refuse('model-invalid', {
          count: faults.length,
          place: first?.place ?? '',
          says: first ? say(first.says) : '',
          mend: first ? say(first.mend) : '',
        });
      }
      await insertModel(trx, read.model, publication);
      await deleteDraft(trx, id);
      return accept(read.model);
    });
  } catch (error) {
    if (isDuplicate(error)) return refuse('code-taken', { code: words.thisVersion() });
    throw error;
  }
}
