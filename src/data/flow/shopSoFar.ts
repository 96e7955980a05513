import type { Knex } from 'knex';
import type { ShopSoFar } from '@/core/flow/firstHour';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** What the shop has so far. Each is counted only as far as a first hour goes: a shop at work is not counted through. */
export async function shopSoFar(db: Knex): Promise<ShopSoFar> {
  const few = 10;
  const upTo = async (rows: Knex.QueryBuilder) => ((await rows.limit(few)) as unknown[]).length;
  const [{ shop }, people, models, parcels, units, decided, parts, graded, released] = await Promise.all([
    currentRules(db),
    upTo(db('people').whereNull('left_at').select('id')),
    upTo(db('model_cards').select('id')),
    upTo(db('parcels').select('id')),
    upTo(db('units').select('id')),
    upTo(db('units').whereNot({ stage: 'triage' }).select('id')),
    upTo(db('parts').select('id')),
    upTo(db('parts').whereNotNull('grade').select('id')),
    upTo(db('units').whereNotNull('sale_grade').select('id')),
  ]);
  return { shopName: shop.name, people, models, parcels, units, decided, parts, graded, released };
}
