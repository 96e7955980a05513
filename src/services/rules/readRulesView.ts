import type { Knex } from 'knex';
import { rulesHistory, type RulesChange } from '@/data/rules/houseRulesRepository';

export interface RulesView {
  /** Every version, newest first: the first is that of today. */
  readonly history: readonly RulesChange[];
}

/** The house rules with all they have been. */
export const readRulesView = async (db: Knex): Promise<RulesView> => ({ history: await rulesHistory(db) });
