import { modelAmong } from '@/core/procedure/model';
import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { salePrice } from '@/core/sale/predictSale';
import { countCustomers, listContacts } from '@/data/contacts/contactRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { findSending } from '@/data/facts/findSending';
import { priceBook } from '@/data/prices/priceBook';
import { releaseDays } from '@/data/prices/releaseDays';
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
  /** Who got the latest shipment; empty before the first. */
  readonly lastRecipient: string;
  /** Customers by name, to choose from. */
  readonly customers: readonly string[];
  readonly shipments: readonly { readonly shipment: string; readonly units: number }[];
}

/** Units that may leave, and the latest shipments. */
export async function readSend(db: Knex, now: Date): Promise<SendView> {
  const units = await unitsAt(db, ['send']);
  const [models, released, { price }, shipments, rules] = await Promise.all([
    modelsOfUnits(db, units),
    releaseDays(
      db,
      units.map(({ id }) => id),
    ),
    priceBook(db, now),
    latestShipments(db, 8),
    currentRules(db),
  ]);
  const ready = units.flatMap((unit): ReadyUnit[] => {
    const model = modelAmong(models, unit);
    if (!model || !unit.saleGrade) return [];
    const variantName = model.variants.find(({ id }) => id === unit.variant)?.name ?? '';
    return [
      {
        unit,
        modelName: `${model.maker} ${model.name}`,
        variantName,
        priceCents: salePrice(price(model, released.get(unit.id)), unit, unit.saleGrade, rules),
      },
    ];
  });
  const [counted, contacts] = await Promise.all([countCustomers(db), listContacts(db)]);
  const [latest] = shipments;
  const lastRecipient = latest ? ((await findSending(db, latest.shipment))?.recipient ?? '') : '';
  const customers = [
    ...new Set([
      ...counted.map(({ name }) => name),
      ...contacts.filter(({ kind }) => kind === 'customer').map(({ name }) => name),
    ]),
  ].sort();
  return { ready, lastRecipient, customers, shipments };
}
