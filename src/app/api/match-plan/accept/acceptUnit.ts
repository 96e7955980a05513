import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Disposition } from '@/core/entities/stages';
import { fates, type Fate } from '@/core/matchPlan/problem';
import type { Person } from '@/core/people/roles';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { FactType, Payloads } from '@/core/shop/facts';
import { wordedFact } from '@/core/shop/makeFact';
import { isDeepStrictEqual } from 'node:util';
import type { Unit } from '@/core/entities/entities';
import { comingLot, keptLot } from '@/core/matching/accepted';
import { partsOfPair } from '@/core/matching/waysToBuild';
import { getModelPart } from '@/core/procedure/model';
import { worstGrade } from '@/core/shared/grades';
import { findModel } from '@/data/models/modelRepository';
import { boundOnShelf } from '@/data/parts/boundOnShelf';
import { findPart, oldestOnShelf } from '@/data/parts/partRepository';
import { findUnit } from '@/data/units/unitRepository';
import type { AcceptPlanDto } from '@/dto/match/AcceptPlanDto';
import { recordFact } from '@/services/facts/recordFact';

type Accepted = AcceptPlanDto['units'][number];

/** What became of a unit that was accepted. */
export interface Done {
  readonly tag: string;
  readonly isDecided: boolean;
  readonly reserved: number;
  /** Parts of it that go to other units once they are out. */
  readonly promised: number;
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
 * parts of the shelf are set aside for it; what a donor gives to others is promised to them. Each fact is refused where the unit or the part is no longer as the plan saw it.
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
  if (asked.fate === 'hold') return accept({ ...nothingDone, tag: unit.tag });
  const disposition = dispositionOf[asked.fate];
  const isOther = unit.disposition !== disposition;
  if (isOther && unit.stage !== 'triage') {
    const recalled = await say('unit-recalled', { because: 'the match plan' });
    if (!recalled.ok) return recalled;
  }
  if (isOther) {
    const decided = await say('unit-decided', {
      disposition,
      proposed: asked.proposed === 'hold' ? disposition : dispositionOf[asked.proposed],
      apartPlace: null,
    });
    if (!decided.ok) return decided;
  }
  if (asked.fate === 'donor') {
    const promised = isOther ? {} : unit.promised;
    const wanted = asked.gives.flatMap(({ slot, for: tag }) => partsOfPair(slot).map((part) => ({ part, for: tag })));
    if (!isDeepStrictEqual(promised, Object.fromEntries(wanted.map((own) => [own.part, own.for])))) {
      const said = await say('parts-promised', { parts: wanted });
      if (!said.ok) return said;
    }
    return accept({ ...nothingDone, tag: unit.tag, isDecided: isOther, promised: wanted.length });
  }
  let reserved = 0;
  for (const { slot, from } of asked.fate === 'build' ? asked.fills : []) {
    // What is on its way is kept for this unit already: it stays at Match until it is there.
    if (from.startsWith(`${comingLot} `)) continue;
    const parts = await partsOf(db, unit, slot, from);
    if (!parts) return refuse('match-stale', { tag: unit.tag });
    for (const [own, partId] of parts) {
      const assigned = await say('part-assigned', { slot: own, partId });
      if (!assigned.ok) return assigned;
      reserved += 1;
    }
  }
  // What still waits for a donor or a purchase stays at Match.
  const isReady = asked.fate === 'build' && (await say('unit-matched', {})).ok;
  return accept({ ...nothingDone, tag: unit.tag, isDecided: isOther, reserved, isReady });
}

const nothingDone = { isDecided: false, reserved: 0, promised: 0, isReady: false } as const;

/** What a lot gives to a slot: one part, or, where two are bound to each other, both with their slots; undefined where it is empty. */
async function partsOf(
  db: Knex,
  unit: Pick<Unit, 'modelId' | 'modelVersion'>,
  slot: string,
  lot: string,
): Promise<readonly (readonly [slot: string, partId: string])[] | undefined> {
  const slots = partsOfPair(slot);
  if (slots.length === 1) {
    const part = lot.startsWith(`${keptLot} `)
      ? (await findPart(db, { tag: lot.slice(keptLot.length + 1) }))?.id
      : await oldestOf(db, lot);
    return part === undefined ? undefined : [[slot, part]];
  }
  const [classes = '', grade] = lot.split(' ');
  const [one = '', other = ''] = partsOfPair(classes);
  const pair = (await boundOnShelf(db, [one, other])).find(({ grades }) => worstGrade([...grades]) === grade);
  const model = await findModel(db, unit.modelId ?? '', unit.modelVersion ?? 0);
  if (!pair || !model) return undefined;
  return slots.map((own) => [own, pair.partIds[getModelPart(model, own).interchange === one ? 0 : 1]] as const);
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
