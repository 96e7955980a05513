import type { Knex } from 'knex';
import type { BenchEvent } from '@/core/bench/events';
import type { Change } from '@/core/bench/world';
import type { LabelJobRow } from '@/data/rows';

/** Tags that a fact wants printed: of a unit that was decided about, of parts that came free. */
function tagsOf({ type }: BenchEvent, changes: readonly Change[]): readonly string[] {
  const after = changes.flatMap((change) => (change.kind === 'unit' || change.kind === 'part' ? [change] : []));
  if (type === 'unit-decided')
    return after.flatMap(({ kind, after: thing }) => (kind === 'unit' && thing ? [thing.tag] : []));
  if (type !== 'step-done') return [];
  return after.flatMap(({ kind, before, after: thing }) => (kind === 'part' && !before && thing ? [thing.tag] : []));
}

/** Puts the labels of a fact before the printer, and takes those of a fact that is taken back away, unless they are printed. */
export async function spoolLabels(trx: Knex, event: BenchEvent, changes: readonly Change[], now: Date): Promise<void> {
  if (event.type === 'undone') {
    const { eventId } = (event as BenchEvent<'undone'>).payload;
    await trx('label_jobs').where({ event_id: eventId }).whereNull('printed_at').delete();
    return;
  }
  const tags = tagsOf(event, changes);
  if (tags.length > 0) await trx('label_jobs').insert(tags.map((tag) => ({ event_id: event.id, tag, made_at: now })));
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

/** Marks labels as printed; one that was printed meanwhile stays as it was. */
export async function markPrinted(trx: Knex, ids: readonly number[], now: Date): Promise<number> {
  return trx('label_jobs').whereIn('id', ids).whereNull('printed_at').update({ printed_at: now });
}
