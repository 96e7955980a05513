import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { SaleGrade } from '@/core/shared/grades';
import { cellDue, type CellDue } from '@/core/shelf/cellDue';
import { newestModels } from '@/data/models/modelRepository';
import { readTallies } from '@/data/tallies/readTallies';
import { openSlots } from '@/data/flow/openSlots';

/** Where a part fits, and who wants one like it. */
export interface FitsView {
  /** Where it fits: a part of a model, by their names. */
  readonly fits: readonly { readonly model: string; readonly part: string }[];
  /** Units that are to be built and want one like it. */
  readonly wantedBy: readonly string[];
  /** Others like it on the shelf, by grade. */
  readonly alike: readonly { readonly grade: SaleGrade; readonly count: number }[];
  readonly due: CellDue | null;
}

/** Where a part on the shelf fits, who wants one like it, how many like it there are, and when it is due if it is a cell. */
export async function readFits(db: Knex, part: Part, now: Date): Promise<FitsView> {
  const { interchange } = part;
  const [models, { wantedBy }, { stock }] = await Promise.all([
    newestModels(db),
    openSlots(db, now),
    readTallies(db, ['stock']),
  ]);
  const counts = new Map<SaleGrade, number>();
  for (const { about, more, count } of stock) {
    const grade = more.slice(0, 1) as SaleGrade;
    if (about === interchange) counts.set(grade, (counts.get(grade) ?? 0) + count);
  }
  return {
    fits: models.flatMap((model) =>
      model.parts
        .filter((part) => part.interchange === interchange)
        .map(({ name }) => ({ model: `${model.maker} ${model.name}`, part: name })),
    ),
    wantedBy: [...new Set(wantedBy.get(interchange) ?? [])],
    alike: [...counts].map(([grade, count]) => ({ grade, count })).sort((a, b) => a.grade.localeCompare(b.grade)),
    due: cellDue(part),
  };
}
