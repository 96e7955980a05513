import type { Knex } from 'knex';
import { emptyModel } from '@/core/drafting/emptyModel';
import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findDraft, insertDraft } from '@/data/models/draftRepository';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { readAside } from '@/workers/documents/readAside';

export type DraftSource =
  | { readonly from: 'model'; readonly modelId: string }
  | { readonly from: 'nothing'; readonly head: Pick<Model, 'maker' | 'name' | 'kind'> }
  | { readonly from: 'document'; readonly document: unknown };

interface Opening {
  /** Made by the browser: the same request sent twice opens one draft. */
  readonly id: string;
  readonly by: string;
  readonly at: Date;
}

/**
 * Begins a draft: of a published model, of nothing, or of a document.
 *
 * @refuses 'unknown-model'; 'model-invalid' for a document whose shape is not a model's
 */
export async function openDraft(db: Knex, source: DraftSource, { id, by, at }: Opening): Promise<Outcome<string>> {
  if (await findDraft(db, id)) return accept(id);
  const begun = await beginning(db, source);
  if (!begun.ok) return begun;
  await insertDraft(db, { id, ...begun.value, savedBy: by, savedAt: at });
  return accept(id);
}

interface Beginning {
  readonly document: Model;
  readonly basedOn: number | null;
}

async function beginning(db: Knex, source: DraftSource): Promise<Outcome<Beginning>> {
  if (source.from === 'nothing') return accept({ document: emptyModel(source.head), basedOn: null });
  if (source.from === 'model') {
    const basedOn = await newestVersion(db, source.modelId);
    const document = basedOn === undefined ? undefined : await findModel(db, source.modelId, basedOn);
    return document && basedOn !== undefined
      ? accept({ document, basedOn })
      : refuse('unknown-model', { model: source.modelId.slice(0, 60) });
  }
  const told = await readAside('draft', source.document);
  if (!told.ok) return told;
  const read = told.value;
  if ('says' in read) {
    return refuse('model-invalid', {
      count: 1,
      place: 'document',
      says: `${read.says}.`,
      mend: 'See docs/formats/model.md.',
    });
  }
  return accept({ document: read.model, basedOn: (await newestVersion(db, read.model.id)) ?? null });
}
