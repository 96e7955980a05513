import type { Knex } from 'knex';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import type { Part } from '@/core/entities/entities';
import { gradedAgainAt } from '@/core/entities/stages';
import { findPart, partsAt } from '@/data/parts/partRepository';
import { tagsOfUnits } from '@/data/units/unitRepository';

export interface GradeView {
  readonly parts: readonly Part[];
  /** What a part is called and worth, by `model/part`. */
  readonly kinds: Readonly<Record<string, PartKind>>;
  readonly unitTags: Readonly<Record<string, string>>;
}

/** Parts that wait for a grade, and one that somebody wants to grade again. @param again its tag */
export async function readGrade(db: Knex, now: Date, again?: string): Promise<GradeView> {
  const [waiting, asked] = await Promise.all([
    partsAt(db, ['grade']),
    again === undefined ? undefined : findPart(db, { tag: again }),
  ]);
  const parts = asked && asked.place !== 'grade' && gradedAgainAt.includes(asked.place) ? [asked, ...waiting] : waiting;
  return {
    parts,
    kinds: kindsAmong(await partKinds(db, now), parts),
    unitTags: await tagsOfUnits(
      db,
      parts.map(({ unitId }) => unitId),
    ),
  };
}
