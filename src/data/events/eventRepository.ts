import type { Knex } from 'knex';
import type { BenchEvent, RecordedEvent } from '@/core/bench/events';
import type { Change } from '@/core/bench/world';
import { takeNumbers } from '@/data/counters';
import type { EventRow } from '@/data/rows';

export function toRecorded(row: EventRow): RecordedEvent {
  return {
    id: row.id,
    position: row.position,
    type: row.type,
    subjectId: row.subject_id,
    expects: row.expects,
    at: row.client_at.toISOString(),
    personId: row.person_id,
    bench: row.bench,
    receivedAt: row.server_at.toISOString(),
    payload: row.payload as RecordedEvent['payload'],
    touched: row.touched,
  };
}

export async function findEvent(db: Knex, id: string): Promise<RecordedEvent | undefined> {
  const row = (await db('events').where({ id }).first()) as EventRow | undefined;
  return row && toRecorded(row);
}

/** Facts after a position, in order. Positions have no gaps, so nothing can appear behind a reader's back. */
export async function eventsAfter(db: Knex, position: number, limit: number): Promise<readonly RecordedEvent[]> {
  return (await eventRowsAfter(db, position, limit)).map(toRecorded);
}

export async function eventRowsAfter(db: Knex, position: number, limit: number): Promise<readonly EventRow[]> {
  return (await db('events').where('position', '>', position).orderBy('position').limit(limit)) as EventRow[];
}

export async function lastPosition(db: Knex): Promise<number> {
  const row = (await db('counters').where({ name: 'events' }).first('n')) as { n: number } | undefined;
  return row?.n ?? 0;
}

/**
 * Appends a fact with the next position. The counter is the last thing taken before the append: whoever holds it holds
 * up everyone, and a position that was rolled back is given to the next.
 *
 * @returns its position
 */
export async function appendEvent(
  trx: Knex,
  event: BenchEvent,
  made: { readonly personId: string; readonly bench: string; readonly receivedAt: Date },
  changes: readonly Change[],
): Promise<number> {
  const about = aboutOf(event, changes);
  const touched = changes.map(({ kind, id, before }) => ({ kind, id, before }));
  const undoes = event.type === 'undone' ? (event as BenchEvent<'undone'>).payload.eventId : null;
  const position = await takeNumbers(trx, 'events', 1);
  await trx('events').insert({
    id: event.id,
    position,
    type: event.type,
    subject_id: event.subjectId,
    expects: event.expects,
    person_id: made.personId,
    bench: made.bench,
    client_at: new Date(event.at),
    server_at: made.receivedAt,
    ...about,
    undoes,
    payload: JSON.stringify(event.payload),
    touched: JSON.stringify(touched),
  });
  return position;
}

/** What a fact is about, as columns to group by. */
function aboutOf(event: BenchEvent, changes: readonly Change[]) {
  const subject = changes.find(({ id }) => id === event.subjectId);
  const thing = subject?.after ?? subject?.before;
  if (subject?.kind === 'unit' && thing && 'parcelId' in thing && 'modelId' in thing) {
    return { parcel_id: thing.parcelId, unit_id: thing.id, part_id: null, model_id: thing.modelId, part_ref: null };
  }
  if (subject?.kind === 'part' && thing && 'partRef' in thing) {
    return {
      parcel_id: null,
      unit_id: thing.unitId,
      part_id: thing.id,
      model_id: thing.modelId,
      part_ref: thing.partRef,
    };
  }
  return { parcel_id: event.subjectId, unit_id: null, part_id: null, model_id: null, part_ref: null };
}
