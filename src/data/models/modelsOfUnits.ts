import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { priceBook } from '@/data/prices/priceBook';
import { findModel } from './modelRepository';

/**
 * The model versions that some units were planned with, each once.
 *
 * @param pricedOn  at the shop's prices of this day; left out where no money is spoken of
 */
export async function modelsOfUnits(
  db: Knex,
  units: readonly Pick<Unit, 'modelId' | 'modelVersion'>[],
  pricedOn?: Date,
): Promise<readonly Model[]> {
  const keys = new Map(
    units.flatMap(({ modelId, modelVersion }) =>
      modelId && modelVersion !== null ? [[`${modelId}@${modelVersion}`, { modelId, modelVersion }] as const] : [],
    ),
  );
  const models = await Promise.all(
    [...keys.values()].map(({ modelId, modelVersion }) => findModel(db, modelId, modelVersion)),
  );
  const found = models.filter((model) => model !== undefined);
  if (!pricedOn || found.length === 0) return found;
  const { price } = await priceBook(db, pricedOn);
  return found.map((model) => price(model));
}
