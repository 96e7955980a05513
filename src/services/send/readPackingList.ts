import type { Knex } from 'knex';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { findSending } from '@/data/events/findSending';
import { unitsOfShipment } from '@/data/units/unitRepository';
import type { PackingList } from '@/files/writePackingList';

/** The packing list of a shipment, from its units and the facts that sent them. */
export async function readPackingList(db: Knex, shipment: string, shopName: string): Promise<PackingList | undefined> {
  const units = await unitsOfShipment(db, shipment);
  if (units.length === 0) return undefined;
  const [models, sending] = await Promise.all([modelsOfUnits(db, units), findSending(db, shipment)]);
  return {
    shipment,
    from: shopName,
    recipient: sending?.recipient ?? '',
    sentOn: sending?.sentOn ?? '',
    lines: units.map((unit) => {
      const model = models.find(({ id, version }) => id === unit.modelId && version === unit.modelVersion);
      const variant = model?.variants.find(({ id }) => id === unit.variant)?.name ?? '';
      const opened = Object.keys(unit.fitted).length > 0;
      const statement = opened
        ? 'Data wiped. Opened for repair: not to be taken as proof against water.'
        : 'Data wiped. Not opened here.';
      return {
        tag: unit.tag,
        what: model ? `${model.maker} ${model.name}, ${variant}` : '',
        serial: unit.serial ?? '',
        grade: unit.saleGrade ?? '',
        statement,
      };
    }),
  };
}
