import type { Knex } from 'knex';
import { everyTool } from '@/core/procedure/everyTool';
import { newestModels } from '@/data/models/modelRepository';
import { rulesHistory, type RulesChange } from '@/data/rules/houseRulesRepository';

export interface RulesView {
  /** Every version, newest first: the first is that of today. */
  readonly history: readonly RulesChange[];
  /** Every tool that a model names, but hands. */
  readonly tools: readonly string[];
}

/** The house rules with all they have been, and what the models ask of a shop. */
export async function readRulesView(db: Knex): Promise<RulesView> {
  const [history, models] = await Promise.all([rulesHistory(db), newestModels(db)]);
  const tools = models.flatMap(({ operations }) => operations.flatMap(everyTool));
  return { history, tools: [...new Set(tools)].filter((tool) => tool !== 'Hands').sort() };
}
