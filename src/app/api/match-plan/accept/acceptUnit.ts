import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Disposition } from '@/core/entities/stages';
import { fates, type Fate } from '@/core/matchPlan/problem';
import type { Person } from '@/core/people/roles';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { FactType, Payloads } from '@/core/shop/facts';
import { wordedFact } from '@/core/shop/makeFact';
import { oldestOnShelf } from '@/data/parts/partRepository';
import { findUnit } from '@/data/units/unitRepository';
import type { AcceptPlanDto } from '@/dto/match/AcceptPlanDto';
import { recordFact } from '@/services/facts/recordFact';

type Accepted = AcceptPlanDto['units'][number];

/** What became of a unit that was accepted. */
export interface Done {
  readonly tag: string;
  readonly isDecided: boolean;
  readonly reserved: number;
  /** Everything that it needs is set aside: it waits at the bench. */
  readonly isReady: boolean;
}

const dispositionOf: Readonly<Record<Exclude<Fate, 'hold'>, Disposition>> = {
  build: 'build',
  donor: 'donor',
  'as-is': 'as-is',
  recycle: 'recycle',
};

/**
 * Carries out what a plan says of one unit, as facts of whoever accepts it: it is decided, anew where it was decided otherwise, and
 * parts of the shelf are set aside for it. Each fact is refused where the unit or the part is no longer as the plan saw it.
 *
 * @refuses 'match-stale' before anything is done; else what the facts are refused for, after what was done already
 */
export async function acceptUnit(db: Knex, person: Person, asked: Accepted, now: Date): Promise<Outcome<Done>> {
  const unit = await findUnit(db, { id: asked.id });
  if (!unit || unit.version !== asked.version) return refuse('match-stale', { tag: unit?.tag ?? asked.id });
  let version = unit.version;
  const say = async <T extends FactType>(type: T, payload: Payloads[T]): Promise<Outcome<null>> => {
    const fact = wordedFact<FactType>(
      { type, subjectId: unit.id, payload },
      { id: randomUUID(), expects: version, at: now.toISOString() },
    );
    const said = await recordFact(db, person, fact, now);
    if (!said.ok) return said;
    const after = said.value.results.find((result) => result.kind === 'unit' && result.id === unit.id)?.after;
    version = after?.version ?? version;
    return accept(null);
  };
  if (asked.fate === 'hold') return accept({ tag: unit.tag, isDecided: false, reserved: 0, isReady: false });
  const disposition = dispositionOf[asked.fate];
  const isOther = unit.disposition !== disposition;
  if (isOther && unit.stage !== 'triage') {
    const recalled = await say('unit-recalled', { because: 'the match plan' });
    if (!recalled.ok) return recalled;
  }
  if (isOther) {
    const decided = await say('unit-decided', { disposition, proposed: disposition, apartPlace: null });
    if (!decided.ok) return decided;
  }
  let reserved = 0;
  for (const { slot, from } of asked.fate === 'build' ? asked.fills : []) {
    const part = await oldestOf(db, from);
    if (!part) return refuse('match-stale', { tag: unit.tag });
    const assigned = await say('part-assigned', { slot, partId: part });
    if (!assigned.ok) return assigned;
    reserved += 1;
  }
  // What still waits for a donor or a purchase stays at Match.
  const isReady = asked.fate === 'build' && (await say('unit-matched', {})).ok;
  return accept({ tag: unit.tag, isDecided: isOther, reserved, isReady });
}

/** The oldest part of a lot, by the lot's id: class, grade, and, of an assembly that brings something, its model and what it brings. */
async function oldestOf(db: Knex, lot: string): Promise<string | undefined> {
  const [interchange = '', grade = '', modelId, ...carries] = lot.split(' ');
  const whole = modelId === undefined ? undefined : { modelId, carries };
  const [part] = await oldestOnShelf(db, [{ interchange, grade, ...(whole && { whole }) }], 1);
  return part?.id;
}

/** Donors first: they make no demand on the shelf, and builds may wait for them. */
export const inOrder = (units: readonly Accepted[]): readonly Accepted[] =>
  units.toSorted((a, b) => fates.indexOf(b.fate) - fates.indexOf(a.fate));
