import type { Knex } from 'knex';
import { everyTool } from '@/core/procedure/everyTool';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { newestModels } from '@/data/models/modelRepository';
import { rulesHistory, type RulesChange } from '@/data/rules/houseRulesRepository';

export interface RulesView {
  /** Every version, newest first: the first is that of today. */
  readonly history: readonly RulesChange[];
  /** Every tool that a model names, but hands. */
  readonly tools: readonly string[];
  /** Interchange classes that the models name, by category. */
  readonly classes: Readonly<Partial<Record<PartCategory, readonly string[]>>>;
}

/** The house rules with all they have been, and what the models ask of a shop. */
export async function readRulesView(db: Knex): Promise<RulesView> {
  const [history, models] = await Promise.all([rulesHistory(db), newestModels(db)]);
  const tools = models.flatMap(({ operations }) => operations.flatMap(everyTool));
  const classes: Partial<Record<PartCategory, string[]>> = {};
  for (const { category, interchange } of models.flatMap(({ parts }) => parts))
    if (!classes[category]?.includes(interchange)) (classes[category] ??= []).push(interchange);
  for (const each of Object.values(classes)) each.sort();
  return { history, classes, tools: [...new Set(tools)].filter((tool) => tool !== 'Hands').sort() };
}
