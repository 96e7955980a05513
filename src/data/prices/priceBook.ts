import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { atPrices } from '@/core/prices/priceList';
import { shopDay } from '@/core/shared/shopDay';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { listPrices } from './priceRepository';

export interface PriceBook {
  /** A model at the shop's prices: of today, or of the day of an instant. */
  readonly price: (model: Model, when?: Date) => Model;
  /** How many prices were ever set: a price is added and never changed, so that these are the same while this is. */
  readonly edition: number;
}

/** The shop's own prices, read once for as many models as are asked about. */
export async function priceBook(db: Knex, now: Date): Promise<PriceBook> {
  const [prices, { shop }] = await Promise.all([listPrices(db), currentRules(db)]);
  const dayOf = (instant: Date) => shopDay(instant.getTime(), shop.timeZone);
  return { edition: prices.length, price: (model, when = now) => atPrices(model, prices, dayOf(when)) };
}
