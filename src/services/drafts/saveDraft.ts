import type { Knex } from 'knex';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findDraft, updateDraft } from '@/data/models/draftRepository';
import { readAside } from '@/workers/documents/readAside';

export interface DraftSave {
  readonly id: string;
  readonly document: unknown;
  /** The version of the draft that the person saw. */
  readonly expects: number;
  readonly saveId: string;
}

/**
 * Saves a draft over the version that was seen, and says which version it is now.
 *
 * @refuses 'not-found'; 'draft-stale' with who saved in between; 'model-invalid' for a shape that could not be drawn
 */
export async function saveDraft(db: Knex, save: DraftSave, by: string, at: Date): Promise<Outcome<number>> {
  const told = await readAside('draft', save.document);
  if (!told.ok) return told;
  const read = told.value;
  if ('says' in read) {
    return refuse('model-invalid', {
      count: 1,
      place: 'draft',
      says: `${read.says}.`,
      mend: 'Take the last change back.',
    });
  }
  const isSaved = await updateDraft(
    db,
    { id: save.id, document: read.model, savedBy: by, savedAt: at },
    save.expects,
    save.saveId,
  );
  if (isSaved) return accept(save.expects + 1);
  const draft = await findDraft(db, save.id);
  return draft ? refuse('draft-stale', { by: draft.savedBy, version: draft.version }) : refuse('not-found');
}
