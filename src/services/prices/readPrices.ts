import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { priceOn, type GradeCents, type Price } from '@/core/prices/priceList';
import { shopDay } from '@/core/shared/shopDay';
import { newestModels } from '@/data/models/modelRepository';
import { pricesOfModel, type RecordedPrice } from '@/data/prices/priceRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** One thing that has a price: a unit of the model, or a part of it. */
export interface PricedThing {
  readonly partRef: string | null;
  readonly name: string;
  /** As the author of the model wrote it. */
  readonly writtenCents: GradeCents;
  /** In force today. */
  readonly cents: GradeCents;
  /** Since when; null while it is the author's. */
  readonly since: string | null;
}

export interface PricesView {
  readonly models: readonly { readonly id: string; readonly name: string }[];
  readonly chosen: string | null;
  readonly things: readonly PricedThing[];
  /** What was set before, newest first; also what begins later. */
  readonly history: readonly (RecordedPrice & { readonly name: string })[];
  /** The shop's day, ISO. */
  readonly today: string;
}

const shownHistory = 40;

/** What the shop takes for a model and reckons its parts at. */
export async function readPrices(db: Knex, wanted: string | undefined, now: Date): Promise<PricesView> {
  const [models, { shop }] = await Promise.all([newestModels(db), currentRules(db)]);
  const today = shopDay(now.getTime(), shop.timeZone);
  const model = models.find(({ id }) => id === wanted) ?? models[0];
  const set = model ? await pricesOfModel(db, model.id) : [];
  const nameOf = ({ partRef }: Price) => model?.parts.find(({ id }) => id === partRef)?.name ?? model?.name ?? '';
  return {
    models: models.map(({ id, maker, name }) => ({ id, name: `${maker} ${name}` })),
    chosen: model?.id ?? null,
    things: model ? thingsOf(model, [...set].reverse(), today) : [],
    history: set.slice(0, shownHistory).map((price) => ({ ...price, name: nameOf(price) })),
    today,
  };
}

function thingsOf(model: Model, prices: readonly Price[], today: string): readonly PricedThing[] {
  const thing = (partRef: string | null, name: string, writtenCents: GradeCents): PricedThing => {
    const own = priceOn(prices, { modelId: model.id, partRef }, today);
    return { partRef, name, writtenCents, cents: own?.cents ?? writtenCents, since: own?.fromDay ?? null };
  };
  return [
    thing(null, model.name, model.priceCents),
    ...model.parts.flatMap(({ id, name, valueCents }) => (valueCents ? [thing(id, name, valueCents)] : [])),
  ];
}
