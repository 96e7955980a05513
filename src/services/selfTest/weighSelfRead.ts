import type { Knex } from 'knex';
import { v5 } from 'uuid';
import type { ReadingMessage } from '@/core/instruments/message';
import type { Person } from '@/core/people/roles';
import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import { judgeSelfTest } from '@/core/selfTest/judgeSelfTest';
import type { SelfRead } from '@/core/selfTest/reads';
import { measuredAttributes, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Fact, FactType, Payloads } from '@/core/shop/facts';
import { wordedFact } from '@/core/shop/makeFact';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { madeSelfTest } from '@/data/selfTest/madeSelfTest';
import { findUnit } from '@/data/units/unitRepository';

/** Names ids after the read that they come from, so that what is sent twice is one. */
const namespace = '7f1d2f53-5b0e-4f5e-9d43-7c1f0a8f3a52';

/** What follows from a read: facts about the unit, or readings for the part in hand at the bench. */
export interface WeighedRead {
  /** Under whose name. */
  readonly person: Person;
  readonly tests: Readonly<Partial<Record<DeviceTest, TestResult>>>;
  /** In their order, each of which makes the unit a version older. */
  readonly facts: readonly Fact[];
  readonly messages: readonly ReadingMessage[];
}

/**
 * What the page on a unit read, as what is to be recorded; nothing where only an ear can tell.
 *
 * @refuses 'self-test-over', and 'wrong-stage' for a unit that moved on
 */
export async function weighSelfRead(
  db: Knex,
  code: string,
  given: { readonly id: string; readonly read: SelfRead },
  now: Date,
): Promise<Outcome<WeighedRead>> {
  const made = await madeSelfTest(db, code, now);
  if (!made.ok) return made;
  const { person, part, unitId } = made.value;
  const unit = await findUnit(db, { id: unitId });
  if (!unit) return refuse('self-test-over', { code });
  const { tests, readings } = judgeSelfTest(given.read, await currentRules(db));
  if (part !== null) return accept({ person, tests, facts: [], messages: messagesOf(given.id, part, readings, now) });
  if (unit.stage !== 'triage' && unit.stage !== 'prove')
    return refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
  const fact = <T extends 'proof-noted' | 'test-noted' | 'photo-taken'>(type: T, payload: Payloads[T], about: string) =>
    wordedFact<FactType>(
      { type, subjectId: unit.id, payload },
      { id: v5(`${given.id} ${about}`, namespace), expects: unit.version, at: now.toISOString() },
    );
  const photos = given.read.is === 'cameras' ? given.read.shots.flatMap(({ photo }) => photo ?? []) : [];
  const facts = [
    ...photos.map((id) => fact('photo-taken', { photo: { id, face: null, field: null } }, id)),
    ...Object.entries(tests).map(([own, result]) =>
      fact(
        unit.stage === 'prove' ? 'proof-noted' : 'test-noted',
        { test: own as DeviceTest, result, read: given.read },
        own,
      ),
    ),
  ];
  return accept({ person, tests, facts, messages: [] });
}

function messagesOf(
  id: string,
  part: string,
  readings: Readonly<Record<string, number | string>>,
  now: Date,
): readonly ReadingMessage[] {
  return Object.entries(readings).flatMap(([attribute, value]) => {
    if (typeof value !== 'number') return [];
    const { unit } = measuredAttributes[attribute as MeasuredAttribute];
    const message = { id: v5(`${id} ${attribute}`, namespace), instrument: 'screen', at: now.toISOString() } as const;
    return [{ ...message, part, value, ...(unit !== '' && { unit }) }];
  });
}
