import type { Knex } from 'knex';
import { endHolds } from '@/data/triage/holds';
import { bitsUsed } from '@/core/shop/bitsUsed';
import { applyFact } from '@/core/shop/applyFact';
import type { Entities, EntityKind } from '@/core/entities/entities';
import { definitions, type Fact, type RecordedFact } from '@/core/shop/facts';
import type { World } from '@/core/shop/world';
import { completeFact, tagsNeeded } from '@/core/shop/involved';
import type { Change } from '@/core/shop/world';
import { isAtLeastRole, mayTakeBack, type Person } from '@/core/people/roles';
import { certifiedStep, refusedToUncertified, type CertifiedStep } from '@/core/rehearsal/certified';
import { accept, refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import { isCertified } from '@/core/people/roster';
import { shopDay } from '@/core/shared/shopDay';
import { formatTag } from '@/core/shared/tags';
import { takeNumbers } from '@/data/counters';
import { isDuplicate } from '@/data/errors';
import { findEntities } from '@/data/facts/entityTables';
import { commitFact, findFact, lastFactAbout } from '@/data/facts/factRepository';
import { loadWorld } from '@/data/facts/loadWorld';
import { spoolLabels } from '@/data/labels/labelJobs';
import { bitsBegun, countUses, takeBackBits } from '@/data/screws/bitLives';
import { saveChanges } from '@/data/facts/saveChanges';
import { isBench } from '@/data/people/benchRepository';
import { findMember, findPersonName } from '@/data/people/peopleRepository';
import { recallsOf } from '@/data/rehearsals/rehearsalRepository';
import { transaction } from '@/data/transaction';

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
export async function recordFact(db: Knex, person: Person, fact: Fact, now: Date): Promise<Outcome<Acknowledged>> {
  if (!isAtLeastRole(person.role, definitions[fact.type].saidBy)) return refuse('not-permitted', { role: person.role });
  const outcome = await transaction(db, (trx) => record(trx, person, fact, now)).catch((error: unknown) => {
    if (isDuplicate(error)) return null;
    throw error;
  });
  if (outcome?.ok) return outcome;
  // A fact that was sent before is refused as stale, or met by its own id in the log: either is as good as an answer.
  const twin = await findFact(db, fact.id);
  if (twin) return accept(await repeat(db, twin));
  if (!outcome) throw new Error(`recordFact: ${fact.type} ${fact.id} names something that is there already`);
  return { ok: false, refusal: await nameTheOther(db, fact, outcome.refusal) };
}

async function record(trx: Knex, person: Person, given: Fact, now: Date): Promise<Outcome<Acknowledged>> {
  const target = given.type === 'undone' ? await findFact(trx, given.payload.factId) : undefined;
  if (given.type === 'undone') {
    if (target && !mayTakeBack(person, target.personId)) return refuse('not-permitted', { role: person.role });
  }
  const world = await loadWorld(trx, given);
  const certified = certifiedStep(world, given);
  const refused = certified && (await refusedTo(trx, person.id, certified, world, now));
  if (refused) return refused;
  const dated = withRules(world, given);
  const judged = applyFact(world, dated);
  if (!judged.ok) return judged;
  const fact = await complete(trx, world, dated, judged.value);
  const outcome = fact === dated ? judged : applyFact(world, fact);
  if (!outcome.ok) return outcome;
  await saveChanges(trx, outcome.value);
  await endHolds(trx, throughTriage(outcome.value));
  await spoolLabels(trx, fact, outcome.value, now);
  const personId = person.id;
  const bench = await benchOf(trx, given, person);
  await countUses(trx, bench, fact);
  if (target) await takeBackBits(trx, target);
  const made = { personId, bench, receivedAt: now };
  const position = await commitFact(trx, fact, made, outcome.value, bitsBegun(bench, fact));
  return accept({ id: fact.id, position, isRepeat: false, results: resultsOf(outcome.value) });
}

/** Where it was done: a fact that waited goes to its own bench, wherever its person is signed in now. */
const benchOf = async (trx: Knex, { bench }: Fact, person: Person): Promise<string> =>
  bench !== undefined && bench !== person.bench && (await isBench(trx, bench)) ? bench : person.bench;

/** Units that left triage or came to it with this fact: a hand that was on them is off. */
const throughTriage = (changes: readonly Change[]): readonly string[] =>
  changes.flatMap(({ kind, id, before, after }) =>
    kind === 'unit' && before && after && before.stage !== after.stage && [before.stage, after.stage].includes('triage')
      ? [id]
      : [],
  );

/** What the house asks of this person for a step for certified people, and they do not have. */
async function refusedTo(
  trx: Knex,
  personId: string,
  step: CertifiedStep,
  { rules }: World,
  now: Date,
): Promise<Outcome<never> | undefined> {
  const [recalls, member] = await Promise.all([recallsOf(trx, personId, step.model.id), findMember(trx, personId)]);
  const day = shopDay(now.getTime(), rules.shop.timeZone);
  return refusedToUncertified(rules, step, { recalls, isCertified: member !== undefined && isCertified(member, day) });
}

/** Whoever does not say by which rules a fact was said means those of today; other facts carry none. */
function withRules(world: World, { rulesVersion, ...fact }: Fact): Fact {
  return definitions[fact.type].usesRules ? { ...fact, rulesVersion: rulesVersion ?? world.rules.version } : fact;
}

/** Gives out the tags that a fact needs, and writes down what the log should keep. */
async function complete(trx: Knex, world: World, fact: Fact, changes: readonly Change[]): Promise<Fact> {
  const needed = tagsNeeded(fact);
  const take = async (counter: 'unit-tag' | 'part-tag', letter: 'U' | 'P', count: number) => {
    if (count === 0) return [];
    const first = await takeNumbers(trx, counter, count);
    return Array.from({ length: count }, (_, at) => formatTag(letter, first + at));
  };
  const unitTags = await take('unit-tag', 'U', needed.unit);
  const partTags = await take('part-tag', 'P', needed.part);
  return completeFact(fact, { unitTags, partTags, changes, bits: bitsUsed(world, fact) });
}

/** Lines of a manifest are not sent back: nobody acts on one by one. */
const resultsOf = (changes: readonly Change[]): Result[] =>
  changes.flatMap(({ kind, id, after }) => (kind === 'line' ? [] : [{ kind, id, after } as Result]));

async function repeat(db: Knex, fact: RecordedFact): Promise<Acknowledged> {
  const results: Result[] = [];
  for (const { kind, id } of fact.touched) {
    if (kind === 'line') continue;
    const [now] = await findEntities(db, kind, [id], false);
    results.push({ kind, id, after: now ?? null } as Result);
  }
  return { id: fact.id, position: fact.position, isRepeat: true, results };
}

/** Says who changed a thing that somebody else acted on. */
async function nameTheOther(db: Knex, fact: Fact, refusal: Refusal): Promise<Refusal> {
  if (refusal.reason !== 'stale' && refusal.reason !== 'stands-on-it') return refusal;
  const last = await lastFactAbout(db, String(refusal.values.id ?? fact.subjectId));
  const by = (last && (await findPersonName(db, last.personId))) ?? '';
  return { ...refusal, values: { ...refusal.values, by, bench: last?.bench ?? '' } };
}
