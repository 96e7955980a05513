import type { Knex } from 'knex';
import type { Unit } from '@/core/bench/entities';
import { priceOf } from '@/core/matching/rankForSlot';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { latestShipments, unitsAt } from '@/data/units/unitRepository';

export interface ReadyUnit {
  readonly unit: Unit;
  readonly modelName: string;
  readonly variantName: string;
  readonly priceCents: number;
}

export interface SendView {
  readonly ready: readonly ReadyUnit[];
  readonly shipments: readonly { readonly shipment: string; readonly units: number }[];
}

/** Units that may leave, and the latest shipments. */
export async function readSend(db: Knex): Promise<SendView> {
  const units = await unitsAt(db, ['send']);
  const [models, shipments] = await Promise.all([modelsOfUnits(db, units), latestShipments(db, 8)]);
  const ready = units.flatMap((unit): ReadyUnit[] => {
    const model = models.find(({ id, version }) => id === unit.modelId && version === unit.modelVersion);
    if (!model || !unit.saleGrade) return [];
    const variantName = model.variants.find(({ id }) => id === unit.variant)?.name ?? '';
    return [
      {
        unit,
        modelName: `${model.maker} ${model.name}`,
        variantName,
        priceCents: priceOf(model, unit.variant, unit.saleGrade),
      },
    ];
  });
  return { ready, shipments };
}
