import type { Knex } from 'knex';
import type { DoerRow } from '@/data/rows';

/**
 * Who really did something, where it was recorded under another sign-in. The log itself keeps whose sign-in it was; one row
 * for each fact that was put right.
 */
export async function writeDoer(
  trx: Knex,
  factId: string,
  personId: string,
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await trx('doers')
    .insert({ fact_id: factId, person_id: personId, noted_by: made.by, noted_at: made.at })
    .onConflict('fact_id')
    .merge();
}

/** It was the one who was signed in after all. */
export async function removeDoer(trx: Knex, factId: string): Promise<void> {
  await trx('doers').where({ fact_id: factId }).delete();
}

/** Whose sign-in a fact was recorded under, and who did it if that was put right. */
export async function findDoer(
  trx: Knex,
  factId: string,
): Promise<{ readonly signedIn: string; readonly doer: string } | undefined> {
  return (await trx('facts as e')
    .leftJoin('doers as d', 'd.fact_id', 'e.id')
    .where('e.id', factId)
    .first({ signedIn: 'e.person_id', doer: trx.raw('coalesce(d.person_id, e.person_id)') })) as
    { signedIn: string; doer: string } | undefined;
}

/** Who did what of these facts, where that was put right, by fact. */
export async function doersOf(db: Knex, factIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows = (await db('doers')
    .whereIn('fact_id', [...factIds])
    .select('fact_id', 'person_id')) as Pick<DoerRow, 'fact_id' | 'person_id'>[];
  return new Map(rows.map(({ fact_id, person_id }) => [fact_id, person_id]));
}
