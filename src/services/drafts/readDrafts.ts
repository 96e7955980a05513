import type { Knex } from 'knex';
import { draftLines } from '@/data/models/draftRepository';
import { allOpenings } from '@/data/openings/openingRepository';

export interface Unfinished {
  readonly drafts: readonly {
    readonly id: string;
    readonly name: string;
    readonly savedBy: string;
    readonly savedAt: string;
  }[];
  readonly openings: readonly { readonly id: string; readonly name: string; readonly startedBy: string }[];
}

/** What is being written: drafts, latest first, and first openings that have no draft yet. */
export async function readDrafts(db: Knex): Promise<Unfinished> {
  const [drafts, openings] = await Promise.all([draftLines(db), allOpenings(db)]);
  return {
    drafts: drafts.map(({ id, name, savedBy, savedAt }) => ({ id, name, savedBy, savedAt: savedAt.toISOString() })),
    openings: openings
      .filter(({ draftId }) => draftId === null)
      .map(({ id, maker, name, startedBy }) => ({ id, name: `${maker} ${name}`, startedBy })),
  };
}
