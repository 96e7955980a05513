import type { Knex } from 'knex';
import type { Parcel } from '@/core/bench/entities';
import { spreadCost } from '@/core/intake/spreadCost';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { weighedOf } from '@/data/triage/decisions';
import { unitsOfParcel } from '@/data/units/unitRepository';

const mostUnits = 20_000;

/** What the units of a parcel have cost by its rule; what is still in the box counts as a unit of which nothing is known. */
export async function parcelCost(
  db: Knex,
  { id, pricePaidCents, transportCents, costRule, lineCount, isCounted }: Parcel,
): Promise<{ readonly leastCents: number; readonly mostCents: number; readonly units: number }> {
  const units = await unitsOfParcel(db, id, mostUnits);
  const [models, weighed] = await Promise.all([
    modelsOfUnits(db, units),
    weighedOf(
      db,
      units.map((unit) => unit.id),
    ),
  ]);
  const waiting = isCounted ? 0 : Math.max(0, lineCount - units.length);
  const items = [
    ...units.map((unit) => {
      const model = models.find((own) => own.id === unit.modelId && own.version === unit.modelVersion);
      return { expectedCents: weighed.get(unit.id)?.cents ?? null, listCents: model?.priceCents.B ?? null };
    }),
    ...Array.from({ length: waiting }, () => ({ expectedCents: null, listCents: null })),
  ];
  const cents = spreadCost(pricePaidCents + transportCents, items, costRule);
  return {
    leastCents: cents.length > 0 ? Math.min(...cents) : 0,
    mostCents: cents.length > 0 ? Math.max(...cents) : 0,
    units: items.length,
  };
}
