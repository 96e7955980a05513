import type { Knex } from 'knex';
import { deleteDraft } from '@/data/models/draftRepository';

/** Throws a draft away. */
export const dropDraft = (db: Knex, id: string): Promise<void> => deleteDraft(db, id);
