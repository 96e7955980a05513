import type { Knex } from 'knex';
import { judgePrices, type PricesAsked } from '@/core/prices/judgePrices';
import type { Price } from '@/core/prices/priceList';
import { shopDay } from '@/core/shared/shopDay';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** Prices as they were asked for, held against the newest version of their model. @refuses as `judgePrices`, 'not-found' */
export async function judgeAsked(
  db: Knex,
  asked: PricesAsked & { readonly modelId: string },
  now: Date,
): Promise<Outcome<readonly Price[]>> {
  const [version, { shop }] = await Promise.all([newestVersion(db, asked.modelId), currentRules(db)]);
  const model = version === undefined ? undefined : await findModel(db, asked.modelId, version);
  if (!model) return refuse('not-found', { id: asked.modelId });
  return judgePrices(model, asked, shopDay(now.getTime(), shop.timeZone));
}
