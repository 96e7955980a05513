import type { Knex } from 'knex';
import { definitions, type Fact } from '@/core/shop/facts';
import type { Change } from '@/core/shop/world';
import type { LabelJobRow } from '@/data/rows';

/** Puts the labels of a fact before the printer, and takes those of a fact that is taken back away, unless they are printed. */
export async function spoolLabels(trx: Knex, fact: Fact, changes: readonly Change[], now: Date): Promise<void> {
  if (fact.type === 'undone') {
    await trx('label_jobs').where({ fact_id: fact.payload.factId }).whereNull('printed_at').delete();
    return;
  }
  const tags = definitions[fact.type].printsLabels(changes);
  if (tags.length > 0) await trx('label_jobs').insert(tags.map((tag) => ({ fact_id: fact.id, tag, made_at: now })));
}

/** What the printer has before it, oldest first. */
export async function waitingLabels(
  db: Knex,
  limit: number,
): Promise<readonly Pick<LabelJobRow, 'id' | 'tag' | 'made_at'>[]> {
  return (await db('label_jobs')
    .whereNull('printed_at')
    .orderBy('id')
    .limit(limit)
    .select('id', 'tag', 'made_at')) as LabelJobRow[];
}

export async function countWaitingLabels(db: Knex): Promise<number> {
  const row = (await db('label_jobs').whereNull('printed_at').count({ n: '*' }).first()) as { n: number } | undefined;
  return Number(row?.n ?? 0);
}

/** A printer that was given a label and says nothing more of it for so long has lost it. */
const heldMs = 60_000;

/** Gives a printer the oldest labels that no other has before it, and those of its own that it has not said of yet. */
export async function takeLabels(
  trx: Knex,
  keyId: string,
  room: number,
  now: Date,
): Promise<readonly Pick<LabelJobRow, 'id' | 'tag'>[]> {
  if (room === 0) return [];
  const jobs = (await trx('label_jobs')
    .whereNull('printed_at')
    .where((free) =>
      free
        .whereNull('taken_at')
        .orWhere('taken_by', keyId)
        .orWhere('taken_at', '<', new Date(now.getTime() - heldMs)),
    )
    .orderBy('id')
    .limit(room)
    .forUpdate()
    .select('id', 'tag')) as LabelJobRow[];
  const ids = jobs.map(({ id }) => id);
  await trx('label_jobs').whereIn('id', ids).update({ taken_by: keyId, taken_at: now });
  return jobs;
}

/** Marks labels as printed; one that was printed meanwhile stays as it was. */
export async function markPrinted(trx: Knex, ids: readonly number[], now: Date): Promise<number> {
  return trx('label_jobs').whereIn('id', ids).whereNull('printed_at').update({ printed_at: now });
}
