import type { Knex } from 'knex';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import type { Part } from '@/core/entities/entities';
import { gradedAgainAt } from '@/core/entities/stages';
import { rankSecondLooks } from '@/core/agreement/secondLooks';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { partsToLookAt, twoLooks } from '@/data/parts/secondLooks';
import { gaugesOver } from '@/data/parts/gaugesOver';
import { findPart, partsAt } from '@/data/parts/partRepository';
import { tagsOfUnits } from '@/data/units/unitRepository';

export interface GradeView {
  readonly parts: readonly Part[];
  /** What a part is called and worth, by `model/part`. */
  readonly kinds: Readonly<Record<string, PartKind>>;
  readonly unitTags: Readonly<Record<string, string>>;
  /** Parts whose second look teaches the rules most, for who asks. */
  readonly blind: readonly Part[];
  /** How far the own gauges of a model read over the analyser, on cells that had both; by model. */
  readonly gauges: Readonly<Record<string, readonly number[]>>;
}

/** So many stored parts are weighed for a second look, by so many looks before. */
const mostCandidates = 200;
const mostLooks = 500;
const blindAtOnce = 3;

/** Parts that wait for a grade, and one that somebody wants to grade again. @param again its tag */
export async function readGrade(db: Knex, now: Date, personId: string, again?: string): Promise<GradeView> {
  const [waiting, asked, candidates, looked, rules] = await Promise.all([
    partsAt(db, ['grade']),
    again === undefined ? undefined : findPart(db, { tag: again }),
    partsToLookAt(db, personId, mostCandidates),
    twoLooks(db, mostLooks),
    currentRules(db),
  ]);
  const blind = rankSecondLooks(candidates, looked, rules, blindAtOnce);
  const parts = asked && asked.place !== 'grade' && gradedAgainAt.includes(asked.place) ? [asked, ...waiting] : waiting;
  return {
    parts,
    blind,
    gauges: await gaugesOver(db, [
      ...new Set(parts.filter(({ category }) => category === 'battery').map(({ modelId }) => modelId)),
    ]),
    kinds: kindsAmong(await partKinds(db, now), [...parts, ...blind]),
    unitTags: await tagsOfUnits(
      db,
      [...parts, ...blind].map(({ unitId }) => unitId),
    ),
  };
}
