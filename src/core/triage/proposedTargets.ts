import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { neededParts } from '@/core/sale/slots';
import type { HouseRules } from '@/core/shared/houseRules';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import type { Knowledge, Subject } from './knowledge';
import { planHarvest } from './valueDonor';

/**
 * What a teardown is begun for, by the school of the house: what pays, as Triage counts it; what builds wait for; or
 * everything that has a worth. What failed at triage is left in. What was promised to another unit comes out by every school.
 */
export function proposedTargets(
  model: Model,
  unit: Subject & Partial<Pick<Unit, 'promised'>>,
  known: Knowledge,
  rules: HouseRules,
): readonly string[] {
  const usual = targetsBySchool(model, unit, known, rules);
  const promised = Object.keys(unit.promised ?? {}).filter((id) => model.parts.some((part) => part.id === id));
  return [...usual, ...promised.filter((id) => !usual.includes(id))];
}

function targetsBySchool(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): readonly string[] {
  const { howFar } = rules.schools;
  if (howFar === 'pays') return planHarvest(model, unit, known, rules)?.harvest.map(({ part }) => part) ?? [];
  const faulty = new Set(neededParts(model, unit).map(({ id }) => id));
  // What seldom survives its way out is taken out only when it is bad already, and then nobody wants it.
  const spared = new Set(model.parts.flatMap(({ id, seldomSurvives }) => (seldomSurvives === undefined ? [] : [id])));
  const sound = defaultTargets(model, unit.configuration).filter((id) => !faulty.has(id) && !spared.has(id));
  if (howFar === 'everything') return sound;
  const lacked = new Set(
    model.parts.filter(({ interchange }) => known.lacking[interchange] !== undefined).map(({ id }) => id),
  );
  return sound.filter((id) => lacked.has(id));
}
