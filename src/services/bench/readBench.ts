import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Person } from '@/core/people/roles';
import { isCertified } from '@/core/people/roster';
import { shopDay } from '@/core/shared/shopDay';
import { unrehearsed } from '@/core/rehearsal/certified';
import type { Outcome } from '@/core/shared/outcome';
import type { BitLife } from '@/core/screws/bitInUse';
import { sheetOf } from '@/core/sheet/sheetOf';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { knowledgeFor } from '@/core/triage/knowledge';
import { proposedTargets } from '@/core/triage/proposedTargets';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { priceBook } from '@/data/prices/priceBook';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { PlanGround } from '@/core/teardown/plan/knowledgeOf';
import { planGround } from '@/data/plans/planGround';
import { findModel } from '@/data/models/modelRepository';
import { listMembers } from '@/data/people/peopleRepository';
import { recallsOf } from '@/data/rehearsals/rehearsalRepository';
import { partsOfUnit } from '@/data/parts/partRepository';
import { bitLives } from '@/data/screws/bitLives';
import { findUnit } from '@/data/units/unitRepository';
import { timedSteps, type TimedSteps } from '@/data/yields/timedSteps';

export interface BenchView {
  readonly unit: Unit;
  readonly model: Model;
  readonly parts: readonly Part[];
  /** Who may say that something dangerous is safe. */
  readonly leads: readonly Pick<Person, 'id' | 'name'>[];
  /** What its parts are worth today and how they come out. */
  readonly ground: PlanGround;
  /** Operations for certified people that this person has still to rehearse. */
  readonly unrehearsed: readonly string[];
  /** The house asks for a current certificate, and this person has none. */
  readonly lacksCertificate: boolean;
  /** What a teardown of it is begun for, by the school of the house; of a unit that has a sheet nothing. */
  readonly proposed: readonly string[];
  /** The sheet of the unit as it is here, so that it stands on the screen before the planner is there. */
  readonly sheet: Outcome<RunSheet> | null;
  /** The bits of the shop, with what they have turned. */
  readonly bits: readonly BitLife[];
  /** How long its steps took on other units. */
  readonly timed: TimedSteps;
}

/** A unit on the bench with its model and the parts that came out of it or are to go in. */
export async function readBench(db: Knex, tag: string, personId: string, now: Date): Promise<BenchView | undefined> {
  const unit = await findUnit(db, { tag });
  if (!unit?.modelId || unit.modelVersion === null) return undefined;
  const [written, parts, ground, people, timed, recalls, rules, { price }, bits] = await Promise.all([
    findModel(db, unit.modelId, unit.modelVersion),
    partsOfUnit(db, unit.id),
    planGround(db, unit.modelId, now),
    listMembers(db),
    timedSteps(db, unit.modelId),
    recallsOf(db, personId, unit.modelId),
    currentRules(db),
    priceBook(db, now),
    bitLives(db),
  ]);
  const model = written && price(written);
  const leads = people.filter(({ role, hasLeft }) => role === 'lead' && !hasLeft).map(({ id, name }) => ({ id, name }));
  const self = people.find(({ id }) => id === personId);
  const day = shopDay(now.getTime(), rules.shop.timeZone);
  if (!model) return undefined;
  const toRehearse = rules.isRehearsalAsked ? unrehearsed(model, recalls) : [];
  const lacksCertificate = rules.isCertificateAsked && !(self && isCertified(self, day));
  const isToBegin = unit.stage === 'teardown' && (unit.sheet === null || unit.sheet.isClosed);
  const proposed = isToBegin
    ? proposedTargets(model, unit, knowledgeFor(shopKnowledge(await knowledgeGround(db, now), rules), model.id), rules)
    : [];
  const sheet = unit.sheet ? sheetOf(model, unit, unit.sheet) : null;
  return { unit, model, parts, ground, leads, timed, bits, unrehearsed: toRehearse, lacksCertificate, proposed, sheet };
}
