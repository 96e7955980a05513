import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { findModel } from './modelRepository';

/** The model versions that some units were planned with, each once. */
export async function modelsOfUnits(
  db: Knex,
  units: readonly Pick<Unit, 'modelId' | 'modelVersion'>[],
): Promise<readonly Model[]> {
  const keys = new Map(
    units.flatMap(({ modelId, modelVersion }) =>
      modelId && modelVersion !== null ? [[`${modelId}@${modelVersion}`, { modelId, modelVersion }] as const] : [],
    ),
  );
  const models = await Promise.all(
    [...keys.values()].map(({ modelId, modelVersion }) => findModel(db, modelId, modelVersion)),
  );
  return models.filter((model) => model !== undefined);
}
