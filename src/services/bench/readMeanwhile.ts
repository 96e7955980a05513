import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { Wording } from '@/core/shared/message';
import { sheetKindAt } from '@/core/sheet/sheetSteps';
import { sheetProgress } from '@/core/sheet/sheetProgress';
import type { Minutes } from '@/core/procedure/operations';
import type { HouseRules } from '@/core/shared/houseRules';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import { proposedTargets } from '@/core/triage/proposedTargets';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { priceBook, type PriceBook } from '@/data/prices/priceBook';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { findModel } from '@/data/models/modelRepository';
import { unitsAt } from '@/data/units/unitRepository';

/** A unit that can be taken up while another one waits. */
export interface Meanwhile {
  readonly tag: string;
  readonly modelName: string;
  readonly next: Wording<'sheet'>;
  readonly minutes: Minutes;
}

const offered = 3;
/** Units looked at: enough to choose from, and quick. */
const lookedAt = 12;

/**
 * Units to take up while one waits: those that wait for nothing themselves, first what is under way already, then what is
 * done soonest.
 */
export async function readMeanwhile(db: Knex, waitingId: string, now: Date): Promise<readonly Meanwhile[]> {
  const units = (await unitsAt(db, ['teardown', 'rebuild'])).filter(({ id, timer }) => id !== waitingId && !timer);
  const [rules, ground, prices] = await Promise.all([currentRules(db), knowledgeGround(db, now), priceBook(db, now)]);
  const known = shopKnowledge(ground, rules);
  const looked = [...units].sort((a, b) => doneOf(b) - doneOf(a)).slice(0, lookedAt);
  const found = await Promise.all(looked.map((unit) => summarise(db, unit, known, rules, prices)));
  return found
    .filter((entry) => entry !== undefined)
    .sort((a, b) => b.done - a.done || a.minutes.likely - b.minutes.likely)
    .slice(0, offered)
    .map(({ tag, modelName, next, minutes }) => ({ tag, modelName, next, minutes }));
}

const doneOf = ({ sheet }: Unit): number => (sheet && !sheet.isClosed ? sheet.doneStepIds.length : 0);

async function summarise(
  db: Knex,
  unit: Unit,
  known: ShopKnowledge,
  rules: HouseRules,
  { price }: PriceBook,
): Promise<(Meanwhile & { readonly done: number }) | undefined> {
  const kind = sheetKindAt(unit.stage);
  const written = unit.modelId && unit.modelVersion !== null && (await findModel(db, unit.modelId, unit.modelVersion));
  // At the shop's prices, as the list of the stage weighs it.
  const model = written && price(written);
  const progress =
    kind &&
    model &&
    sheetProgress(model, unit, kind, rules, () => proposedTargets(model, unit, knowledgeFor(known, model.id), rules));
  if (!progress) return undefined;
  const { next, minutesLeft: minutes, done } = progress;
  return { tag: unit.tag, modelName: `${model.maker} ${model.name}`, next, minutes, done };
}
