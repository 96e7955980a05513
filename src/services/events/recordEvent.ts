import type { Knex } from 'knex';
import { applyEvent } from '@/core/bench/applyEvent';
import type { Entities, EntityKind } from '@/core/bench/entities';
import type { BenchEvent, RecordedEvent } from '@/core/bench/events';
import { completeEvent, tagsNeeded } from '@/core/bench/involved';
import type { Change } from '@/core/bench/world';
import { isAtLeastRole, mayTakeBack, roleForEvent, type Person } from '@/core/people/roles';
import { accept, refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import { formatTag } from '@/core/shared/tags';
import { takeNumbers } from '@/data/counters';
import { isDuplicate } from '@/data/errors';
import { findEntities } from '@/data/events/entityTables';
import { appendEvent, findEvent } from '@/data/events/eventRepository';
import { loadWorld } from '@/data/events/loadWorld';
import { spoolLabels } from '@/data/labels/labelJobs';
import { saveChanges } from '@/data/events/saveChanges';
import { findPersonName } from '@/data/people/peopleRepository';
import { refusedForCertificate } from '@/data/rehearsals/refusedForCertificate';
import { transaction } from '@/data/transaction';

import type { EventRow } from '@/data/rows';

/** A thing as it is after a fact; null when the fact took it away. */
export type Result = { [K in EntityKind]: { kind: K; id: string; after: Entities[K] | null } }[EntityKind];

export interface Acknowledged {
  readonly id: string;
  readonly position: number;
  /** True when this very fact had been taken in before: nothing changed now. */
  readonly isRepeat: boolean;
  readonly results: readonly Result[];
}

/**
 * Takes a fact in: state and log change together or not at all.
 *
 * @param person  who says it, and at which bench
 * @param now     the server's clock
 * @refuses 'not-permitted', and whatever the core refuses; 'stale' says who was quicker
 */
export async function recordEvent(
  db: Knex,
  person: Person,
  event: BenchEvent,
  now: Date,
): Promise<Outcome<Acknowledged>> {
  if (!isAtLeastRole(person.role, roleForEvent(event.type))) return refuse('not-permitted', { role: person.role });
  const outcome = await transaction(db, (trx) => record(trx, person, event, now)).catch((error: unknown) => {
    if (isDuplicate(error)) return null;
    throw error;
  });
  if (outcome?.ok) return outcome;
  // The same fact sent twice at the same moment: the other one won, which made ours look wrong, and that is as good.
  const twin = await findEvent(db, event.id);
  if (twin) return accept(await repeat(db, twin));
  if (!outcome) throw new Error(`recordEvent: ${event.type} ${event.id} names something that is there already`);
  return { ok: false, refusal: await nameTheOther(db, event, outcome.refusal) };
}

async function record(trx: Knex, person: Person, given: BenchEvent, now: Date): Promise<Outcome<Acknowledged>> {
  const known = await findEvent(trx, given.id);
  if (known) return accept(await repeat(trx, known));
  if (given.type === 'undone') {
    const target = await findEvent(trx, (given as BenchEvent<'undone'>).payload.eventId);
    if (target && !mayTakeBack(person, target.personId)) return refuse('not-permitted', { role: person.role });
  }
  const world = await loadWorld(trx, given);
  const refused = await refusedForCertificate(trx, world, person, given);
  if (refused) return refused;
  const judged = applyEvent(world, given);
  if (!judged.ok) return judged;
  const event = await complete(trx, given, judged.value);
  const outcome = event === given ? judged : applyEvent(world, event);
  if (!outcome.ok) return outcome;
  await saveChanges(trx, outcome.value);
  await spoolLabels(trx, event, outcome.value, now);
  const { id: personId, bench } = person;
  const position = await appendEvent(trx, event, { personId, bench, receivedAt: now }, outcome.value);
  return accept({ id: event.id, position, isRepeat: false, results: resultsOf(outcome.value) });
}

/** Gives out the tags that a fact needs, and writes down what the log should keep. */
async function complete(trx: Knex, event: BenchEvent, changes: readonly Change[]): Promise<BenchEvent> {
  const needed = tagsNeeded(event);
  const take = async (counter: 'unit-tag' | 'part-tag', letter: 'U' | 'P', count: number) => {
    if (count === 0) return [];
    const first = await takeNumbers(trx, counter, count);
    return Array.from({ length: count }, (_, at) => formatTag(letter, first + at));
  };
  const unitTags = await take('unit-tag', 'U', needed.unit);
  const partTags = await take('part-tag', 'P', needed.part);
  return completeEvent(event, { unitTags, partTags, changes });
}

/** Lines of a manifest are not sent back: nobody acts on one by one. */
const resultsOf = (changes: readonly Change[]): Result[] =>
  changes.flatMap(({ kind, id, after }) => (kind === 'line' ? [] : [{ kind, id, after } as Result]));

async function repeat(db: Knex, event: RecordedEvent): Promise<Acknowledged> {
  const results: Result[] = [];
  for (const { kind, id } of event.touched) {
    if (kind === 'line') continue;
    const [now] = await findEntities(db, kind, [id], false);
    results.push({ kind, id, after: now ?? null } as Result);
  }
  return { id: event.id, position: event.position, isRepeat: true, results };
}

/** Says who changed a thing that somebody else acted on. */
async function nameTheOther(db: Knex, event: BenchEvent, refusal: Refusal): Promise<Refusal> {
  if (refusal.reason !== 'stale') return refusal;
  const last = (await db('events')
    .where({ subject_id: event.subjectId })
    .orderBy('position', 'desc')
    .first('person_id', 'bench')) as Pick<EventRow, 'person_id' | 'bench'> | undefined;
  const by = last ? ((await findPersonName(db, last.person_id)) ?? 'somebody') : 'somebody';
  return { ...refusal, facts: { ...refusal.facts, by, bench: last?.bench ?? '' } };
}
