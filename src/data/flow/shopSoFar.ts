import type { Knex } from 'knex';
import type { UnitStage } from '@/core/entities/stages';
import type { ShopSoFar } from '@/core/flow/firstHour';
import type { Tally } from '@/core/tallies/tally';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { Tallies } from '@/data/tallies/readTallies';

const forSale: readonly UnitStage[] = ['send', 'sent'];

/** What the shop has so far. People, models and parcels are counted only as far as a first hour goes. */
export async function shopSoFar(db: Knex, { stage, place }: Tallies<'stage' | 'place'>): Promise<ShopSoFar> {
  const few = 10;
  const upTo = async (rows: Knex.QueryBuilder) => ((await rows.limit(few)) as unknown[]).length;
  const [{ shop }, people, models, parcels] = await Promise.all([
    currentRules(db),
    upTo(db('people').whereNull('left_at').select('id')),
    upTo(db('model_cards').select('id')),
    upTo(db('parcels').select('id')),
  ]);
  const sum = (rows: readonly Tally[], isMeant: (about: string) => boolean) =>
    rows.reduce((all, { about, count }) => (isMeant(about) ? all + count : all), 0);
  return {
    shopName: shop.name,
    people,
    models,
    parcels,
    units: sum(stage, () => true),
    decided: sum(stage, (at) => at !== 'triage'),
    parts: sum(place, () => true),
    graded: sum(place, (at) => at !== 'grade'),
    released: sum(stage, (at) => forSale.includes(at as UnitStage)),
  };
}
