import { forecastParcel, type ParcelForecast, type ParcelItem } from '@/core/intake/forecastParcel';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import type { SeenInParcel } from '@/core/triage/seenInParcel';

export interface ForecastQuestion {
  readonly items: readonly ParcelItem[];
  readonly models: readonly Model[];
  readonly shop: ShopKnowledge;
  readonly rules: HouseRules;
  readonly seen: SeenInParcel;
}

export type ForecastAnswer = ParcelForecast;

/** The forecast of a parcel beside the page: one question in, one answer out. */
addEventListener('message', ({ data }: MessageEvent<ForecastQuestion>) => {
  const models = new Map(data.models.map((model) => [`${model.id}@${model.version}`, model]));
  postMessage(forecastParcel(data.items, models, data.shop, data.rules, data.seen) satisfies ForecastAnswer);
});
