import type { Knex } from 'knex';
import type { HouseRules } from '@/core/shared/houseRules';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** The house rules of today. */
export const readRules = (db: Knex): Promise<HouseRules> => currentRules(db);
