import { modelAmong } from '@/core/procedure/model';
import { sayStatement } from '@/words/say/sayStatement';
import { day } from '@/words/format';
import { addressed } from '@/core/contacts/contacts';
import { addressOf } from '@/data/contacts/contactRepository';
import { senderOf } from '@/core/shared/houseRules';
import { setShopWriting } from '@/words/shopWriting';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { Knex } from 'knex';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { findSending } from '@/data/facts/findSending';
import { unitsOfShipment } from '@/data/units/unitRepository';
import type { PackingList } from '@/files/writePackingList';

/** The packing list of a shipment, from its units and the facts that sent them. */
export async function readPackingList(db: Knex, shipment: string): Promise<PackingList | undefined> {
  const units = await unitsOfShipment(db, shipment);
  if (units.length === 0) return undefined;
  const [models, sending, { shop }] = await Promise.all([
    modelsOfUnits(db, units),
    findSending(db, shipment),
    currentRules(db),
  ]);
  const address = sending ? await addressOf(db, 'customer', sending.recipient) : null;
  setShopWriting(shop);
  return {
    shipment,
    from: senderOf(shop),
    recipient: addressed(sending?.recipient ?? '', address),
    sentOn: sending ? day(sending.sentAt) : '',
    lines: units.map((unit) => {
      const model = modelAmong(models, unit);
      const variant = model?.variants.find(({ id }) => id === unit.variant)?.name ?? '';
      return {
        tag: unit.tag,
        what: model ? `${model.maker} ${model.name}, ${variant}` : '',
        serial: unit.serial ?? '',
        grade: unit.saleGrade ?? '',
        statement: sayStatement(unit),
      };
    }),
  };
}
