import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { findDraft } from '@/data/models/draftRepository';

export interface DraftView {
  readonly id: string;
  readonly document: Model;
  readonly version: number;
  readonly basedOn: number | null;
  readonly savedBy: string;
  readonly savedAt: string;
}

/** One draft as the editor opens it. */
export async function readDraft(db: Knex, id: string): Promise<DraftView | undefined> {
  const draft = await findDraft(db, id);
  return draft && { ...draft, savedAt: draft.savedAt.toISOString() };
}
