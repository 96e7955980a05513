import { modelAmong } from '@/core/procedure/model';
import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { salePrice } from '@/core/sale/predictSale';
import { listContacts } from '@/data/contacts/contactRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { priceBook } from '@/data/prices/priceBook';
import { releaseDays } from '@/data/prices/releaseDays';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { sentShipments } from '@/data/send/sentShipments';
import { readTallies } from '@/data/tallies/readTallies';
import { unitsAt } from '@/data/units/unitRepository';

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

const shownShipments = 8;

/** Units that may leave, and the latest shipments. */
export async function readSend(db: Knex, now: Date): Promise<SendView> {
  const units = await unitsAt(db, ['send']);
  const [models, released, { price }, tallies, rules] = await Promise.all([
    modelsOfUnits(db, units),
    releaseDays(
      db,
      units.map(({ id }) => id),
    ),
    priceBook(db, now),
    readTallies(db, ['sent']),
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
  const sent = sentShipments(tallies);
  const contacts = await listContacts(db);
  const customers = [
    ...new Set([
      ...sent.map(({ recipient }) => recipient),
      ...contacts.filter(({ kind }) => kind === 'customer').map(({ name }) => name),
    ]),
  ].sort();
  const shipments = sent.slice(0, shownShipments).map(({ shipment, units: count }) => ({ shipment, units: count }));
  return { ready, lastRecipient: sent[0]?.recipient ?? '', customers, shipments };
}
