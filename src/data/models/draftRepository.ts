import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { upgradeModel } from '@/core/procedure/upgradeModel';
import type { ModelDraftRow } from '@/data/rows';

export interface Draft {
  readonly id: string;
  readonly document: Model;
  /** The published version it began with; null for a model that is new. */
  readonly basedOn: number | null;
  /** Counts saves: who saves must have seen the one before. */
  readonly version: number;
  readonly savedBy: string;
  readonly savedAt: Date;
}

export type DraftLine = Omit<Draft, 'document'> & { readonly modelId: string; readonly name: string };

const nameOf = ({ maker, name }: Model): string => `${maker} ${name}`.slice(0, 120);

export async function findDraft(db: Knex, id: string): Promise<Draft | undefined> {
  const row = (await db('model_drafts').where({ id }).first()) as ModelDraftRow | undefined;
  return row && { ...lineOf(row), document: upgradeModel(row.document) };
}

/** All drafts, latest first, without their documents. */
export async function draftLines(db: Knex): Promise<readonly DraftLine[]> {
  const rows = (await db('model_drafts')
    .orderBy('saved_at', 'desc')
    .select('id', 'model_id', 'name', 'based_on', 'version', 'saved_by', 'saved_at')) as Omit<
    ModelDraftRow,
    'document'
  >[];
  return rows.map((row) => ({ ...lineOf(row), modelId: row.model_id, name: row.name }));
}

const lineOf = (row: Omit<ModelDraftRow, 'document'>) => ({
  id: row.id,
  basedOn: row.based_on,
  version: row.version,
  savedBy: row.saved_by,
  savedAt: row.saved_at,
});

export async function insertDraft(
  db: Knex,
  { id, document, basedOn, savedBy, savedAt }: Omit<Draft, 'version'>,
): Promise<void> {
  await db('model_drafts').insert({
    id,
    model_id: document.id,
    name: nameOf(document),
    based_on: basedOn,
    document: JSON.stringify(document),
    version: 1,
    saved_by: savedBy,
    saved_at: savedAt,
    last_save_id: id,
  });
}

/**
 * Saves over the version that the person saw.
 *
 * @param saveId  made by the browser: the same save sent twice counts once
 * @returns whether it was still that version, or this very save
 */
export async function updateDraft(
  db: Knex,
  { id, document, savedBy, savedAt }: Omit<Draft, 'version' | 'basedOn'>,
  expects: number,
  saveId: string,
): Promise<boolean> {
  const changed = await db('model_drafts')
    .where({ id, version: expects })
    .update({
      model_id: document.id,
      name: nameOf(document),
      document: JSON.stringify(document),
      version: expects + 1,
      saved_by: savedBy,
      saved_at: savedAt,
      last_save_id: saveId,
    });
  if (changed === 1) return true;
  return (await db('model_drafts').where({ id, last_save_id: saveId }).first('id')) !== undefined;
}

export async function deleteDraft(db: Knex, id: string): Promise<void> {
  await db('model_drafts').where({ id }).delete();
}
