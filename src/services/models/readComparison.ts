import type { Knex } from 'knex';
import { compareModels, type Comparison } from '@/core/library/compareModels';
import type { ModelCard } from '@/core/library/modelCard';
import type { Model } from '@/core/procedure/model';
import { findModel, modelCards, newestVersion } from '@/data/models/modelRepository';

export interface ComparisonView {
  readonly models: readonly [Model, Model];
  readonly comparison: Comparison;
  readonly others: readonly Pick<ModelCard, 'id' | 'maker' | 'name'>[];
}

/** Two models held against each other, newest versions. */
export async function readComparison(db: Knex, first: string, second: string): Promise<ComparisonView | undefined> {
  const read = async (id: string) => {
    const version = await newestVersion(db, id);
    return version === undefined ? undefined : findModel(db, id, version);
  };
  const [a, b, cards] = await Promise.all([read(first), read(second), modelCards(db)]);
  if (!a || !b) return undefined;
  return {
    models: [a, b],
    comparison: compareModels(a, b),
    others: cards.filter(({ id }) => id !== first).map(({ id, maker, name }) => ({ id, maker, name })),
  };
}
