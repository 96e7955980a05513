import type { Knex } from 'knex';
import type { Parcel } from '@/core/entities/entities';
import { spreadCost } from '@/core/intake/spreadCost';
import { weighedOf } from '@/data/triage/decisions';
import type { UnitOfParcel } from './parcelUnits';

export interface ParcelCost {
  readonly leastCents: number;
  readonly mostCents: number;
  /** Units it is spread over, those still in the box too. */
  readonly units: number;
  /** The share of each unit that was tagged, by its id. */
  readonly byUnit: ReadonlyMap<string, number>;
}

/** What the units of a parcel have cost by its rule; what is still in the box counts as a unit of which nothing is known. */
export async function parcelCost(
  db: Knex,
  { pricePaidCents, transportCents, costRule, lineCount, isCounted }: Parcel,
  units: readonly UnitOfParcel[],
): Promise<ParcelCost> {
  const weighed = await weighedOf(
    db,
    units.map(({ unit }) => unit.id),
  );
  const waiting = isCounted ? 0 : Math.max(0, lineCount - units.length);
  const items = [
    ...units.map(({ unit, model }) => ({
      expectedCents: weighed.get(unit.id)?.cents ?? null,
      listCents: model?.priceCents.B ?? null,
    })),
    ...Array.from({ length: waiting }, () => ({ expectedCents: null, listCents: null })),
  ];
  const cents = spreadCost(pricePaidCents + transportCents, items, costRule);
  return {
    leastCents: cents.length > 0 ? Math.min(...cents) : 0,
    mostCents: cents.length > 0 ? Math.max(...cents) : 0,
    units: items.length,
    byUnit: new Map(units.map(({ unit }, at) => [unit.id, cents[at] ?? 0])),
  };
}
