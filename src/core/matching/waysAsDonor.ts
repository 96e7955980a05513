import { capIn } from '@/core/findings/partHarm';
import type { Given, Level } from '@/core/matchPlan/problem';
import { boundPartner } from '@/core/procedure/boundPartner';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { transfersOf } from '@/core/procedure/transfers';
import { usualGrade } from '@/core/sale/slots';
import { worstGrade, type SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import type { Knowledge, Lack, Subject } from '@/core/triage/knowledge';
import { partBrings } from '@/core/triage/knowledge';
import { offeredParts, planHarvest, type DonorPlan } from '@/core/triage/valueDonor';
import { hands, pairOf, usesOfSteps } from './waysToBuild';

/** A build that waits would pay whatever the part takes: so much is far beyond any. */
const wantedCents = 200_000;

/**
 * How far a unit could be taken apart: as it pays by itself, as far as each part that some build could use, and as far as all of
 * them. Each is a plan of the planner's own, with its order, its changes of set-up, and the chance of each part along that way.
 *
 * @param known  of its model; what waits for parts is left out of it, since the plan itself weighs that
 * @param wanted  classes that builds could use
 * @param buyCents  what another part in the place of one that fails costs a build, by class
 * @param byItself  how far it pays by itself, where that is known already
 */
export function waysAsDonor(
  model: Model,
  unit: Subject,
  known: Knowledge,
  wanted: ReadonlySet<string>,
  buyCents: (interchange: string, part: ModelPart) => number,
  rules: HouseRules,
  byItself?: DonorPlan | null,
): readonly Level[] {
  const plain: Knowledge = { ...known, lacking: {} };
  const planFor = (some: readonly string[]): DonorPlan | null => {
    const lack: Lack = { units: 1, cents: wantedCents, tag: '' };
    const lacking = Object.fromEntries(some.map((one) => [one, lack]));
    return planHarvest(model, unit, { ...plain, lacking }, rules);
  };
  const base = byItself === undefined ? planFor([]) : byItself;
  const given = new Set(base?.harvest.map(({ part }) => getModelPart(model, part).interchange));
  // What nobody could take out is not asked for.
  const missing = [...new Set(offeredParts(model, unit, rules).map(({ interchange }) => interchange))].filter(
    (one) => wanted.has(one) && !given.has(one),
  );
  const asked = [...missing.map((one) => [one]), ...(missing.length > 1 ? [missing] : [])];
  const levels = [base, ...asked.map(planFor)].flatMap((plan): readonly Level[] =>
    plan ? [levelOf(model, unit, plan, plain, buyCents, rules)] : [],
  );
  // Plans that free the same are one.
  return [...new Map(levels.map((level) => [level.id, level])).values()];
}

function levelOf(
  model: Model,
  unit: Subject,
  { harvest, minutes, savedCents, usedCents, steps }: DonorPlan,
  plain: Knowledge,
  buyCents: (interchange: string, part: ModelPart) => number,
  rules: HouseRules,
): Level {
  const worthOf = (part: ModelPart) => partBrings(part, plain, rules, capIn(model, part, unit)?.grade);
  const worth = harvest.reduce((sum, { part, chance }) => sum + chance * worthOf(getModelPart(model, part)), 0);
  const freed = new Set(harvest.map(({ part }) => part));
  const gradeOf = (part: ModelPart): SaleGrade => {
    const grade = worstGrade([usualGrade, capIn(model, part, unit)?.grade ?? usualGrade]);
    return grade === 'X' ? 'D' : grade;
  };
  const gives = harvest.flatMap(({ part: id, chance }): readonly Given[] => {
    const part = getModelPart(model, id);
    const partner = boundPartner(model, id);
    if (partner !== null && (!freed.has(partner) || partner < id)) return [];
    const pair = partner === null ? null : getModelPart(model, partner);
    const carried = transfersOf(model, id, unit.configuration)
      .map((one) => one.part)
      .filter((own) => !freed.has(own));
    return [
      {
        slot: pair ? pairOf(id, pair.id) : id,
        of: pair ? pairOf(part.interchange, pair.interchange) : part.interchange,
        grade: pair ? (worstGrade([gradeOf(part), gradeOf(pair)]) as SaleGrade) : gradeOf(part),
        chance: Math.round(chance * 1000) / 1000,
        worthCents: worthOf(part) + (pair ? worthOf(pair) : 0),
        failCents: buyCents(part.interchange, part) + (pair ? buyCents(pair.interchange, pair) : 0),
        ...(carried.length > 0 && { brings: { model: model.id, parts: carried } }),
      },
    ];
  });
  // The planner's minutes have the changes of set-up in them, which a sheet's steps have not.
  const uses = { ...usesOfSteps(steps), [hands]: minutes };
  return {
    id: harvest.map(({ part }) => part).join(','),
    cents: Math.round(worth + savedCents - usedCents - minutes * rules.labourCentsPerMinute),
    uses,
    gives,
  };
}
