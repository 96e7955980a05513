import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { partKinds, type PartKind } from '@/data/models/partKinds';
import { partsAt } from '@/data/parts/partRepository';
import { tagsOfUnits } from '@/data/units/unitRepository';

export interface GradeView {
  readonly parts: readonly Part[];
  /** What a part is called and worth, by `model/part`. */
  readonly kinds: Readonly<Record<string, PartKind>>;
  readonly unitTags: Readonly<Record<string, string>>;
}

/** Parts that wait for a grade. */
export async function readGrade(db: Knex): Promise<GradeView> {
  const parts = await partsAt(db, ['grade']);
  return {
    parts,
    kinds: await partKinds(db),
    unitTags: await tagsOfUnits(
      db,
      parts.map(({ unitId }) => unitId),
    ),
  };
}
