import type { Model } from '@/core/procedure/model';
import { operationsFor } from '@/core/procedure/situation';
import type { Operation } from '@/core/procedure/operations';
import { boundPartner } from '@/core/procedure/boundPartner';
import { kindsFound } from '@/core/findings/mark';
import { capIn } from '@/core/findings/partHarm';
import { salePrice } from '@/core/sale/predictSale';
import { sellingCosts } from '@/core/sale/sellingCosts';
import { modelBySchools } from '@/core/schools/modelBySchools';
import { sheetOf } from '@/core/sheet/sheetOf';
import { Chance } from '@/core/shared/chance';
import { saleGrades, worstGrade, type SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { simulateTeardown } from '@/core/simulation/simulateTeardown';
import { expectedResistance } from '@/core/teardown/policy/expectedResistance';
import { startingOdds } from '@/core/teardown/policy/ladderPolicy';
import type { Disposition } from '@/core/entities/stages';
import { drawMinutes } from '@/core/triage/drawRange';
import { openTests, planBuild } from '@/core/triage/valueBuild';
import { planHarvest, type DonorPlan } from '@/core/triage/valueDonor';
import type { Knowledge, Subject } from '@/core/triage/knowledge';
import type { TrueUnit } from './inventedTruth';

/** What became of a unit. */
export interface Outcome {
  readonly cents: number;
  /** Parts that were sought, and whether they came out good; empty unless it was taken apart. */
  readonly sought: ReadonlyMap<string, boolean>;
  /** Joints that may resist, and how far each was tried. */
  readonly tried: readonly Tried[];
}

export interface Tried {
  readonly operation: string;
  readonly rung: number;
  readonly hasYielded: boolean;
}

const untouched: Pick<Outcome, 'sought' | 'tried'> = { sought: new Map(), tried: [] };

/**
 * What a choice for a unit really brings, by its truth: hidden faults come out at Prove, parts come out as they are and as
 * the hands leave them, joints resist, steps take as long as they take. The same luck whatever is decided.
 */
export function carryOut(unit: TrueUnit, choice: Disposition, known: Knowledge, rules: HouseRules): Outcome {
  const { truth, subject } = unit;
  const chance = new Chance(unit.seed);
  const recycled = { cents: -rules.recycleCents, ...untouched };
  switch (choice) {
    case 'donor': {
      const plan = harvestOf(truth.model, subject, known, rules);
      return plan ? takeApart(unit, plan, rules, chance) : recycled;
    }
    case 'build':
      return build(unit, known, rules, chance) ?? recycled;
    case 'as-is': {
      const price = salePrice(truth.model, { ...subject, disposition: 'as-is' }, 'D', rules);
      // What does not start cannot be wiped, and stays.
      return unit.faults.has('starts')
        ? { cents: 0, ...untouched }
        : { cents: price - sellingCosts(price, rules), ...untouched };
    }
    default:
      return choice === 'recycle' ? recycled : { cents: 0, ...untouched };
  }
}

const plans = new WeakMap<Knowledge, Map<string, DonorPlan | null>>();

/** The plan of a donor, made once for units that look the same to the same eyes. */
function harvestOf(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): DonorPlan | null {
  const own = plans.get(known) ?? new Map<string, DonorPlan | null>();
  plans.set(known, own);
  const key = `${model.id} ${JSON.stringify([unit, rules.schools])}`;
  const plan = own.has(key) ? (own.get(key) as DonorPlan | null) : planHarvest(model, unit, known, rules);
  own.set(key, plan);
  return plan;
}

function takeApart(unit: TrueUnit, plan: DonorPlan, rules: HouseRules, chance: Chance): Outcome {
  const { subject, bad } = unit;
  const { operations, policies, changeMinutes } = plan.way;
  const findings = kindsFound(subject);
  const { parts, steps, cents, handMinutes } = simulateTeardown(
    operations,
    { findings, bad, odds: unit.truth.odds },
    chance,
    policies,
  );
  const sound = new Set(parts.filter(({ isSound }) => isSound).map(({ part }) => part));
  // What is left in behind a joint that does not yield is not known, and not counted.
  const known = new Set([...parts.map(({ part }) => part), ...steps.flatMap(({ broke }) => broke)]);
  const beside = plan.steps.filter(({ operationId, leg }) => leg !== 'out' || operationId === undefined);
  const minutes = handMinutes + changeMinutes + drawMinutes(beside, chance);
  return {
    cents:
      soldFor(
        unit,
        plan.harvest.map(({ part }) => part),
        sound,
        rules,
      ) +
      plan.savedCents -
      cents -
      minutes * rules.labourCentsPerMinute,
    sought: new Map(plan.harvest.filter(({ part }) => known.has(part)).map(({ part }) => [part, sound.has(part)])),
    tried: steps.flatMap(({ operation, tried }) => (tried ? [{ operation, ...tried }] : [])),
  };
}

/** What sound parts fetch, each at the grade that it turns out to have. */
function soldFor(
  { truth: { model }, subject, seed }: TrueUnit,
  parts: readonly string[],
  sound: ReadonlySet<string>,
  rules: HouseRules,
): number {
  const chance = new Chance(seed + 1);
  return model.parts.reduce((sum, part) => {
    const drawn = chance.next();
    const partner = boundPartner(model, part.id);
    if (!parts.includes(part.id) || !sound.has(part.id) || (partner && parts.includes(partner) && !sound.has(partner)))
      return sum;
    let share = 0;
    const usual = saleGrades.find((one) => drawn < (share += rules.gradeMix[one])) ?? 'D';
    const cap = capIn(model, part, subject)?.grade;
    const grade = cap ? worstGrade([usual, cap]) : usual;
    return sum + (grade === 'X' ? 0 : (part.valueCents?.[grade] ?? 0));
  }, 0);
}

function build(unit: TrueUnit, known: Knowledge, rules: HouseRules, chance: Chance): Outcome | null {
  const { truth, subject, faults } = unit;
  const plan = planBuild(truth.model, subject, known, rules);
  if (!plan || (subject.tests.starts === 'fault' && plan.needed.length === 0)) return null;
  const open = openTests(
    truth.model,
    subject,
    plan.needed.map(({ id }) => id),
  );
  const hidden = open.filter((test) => faults.has(test));
  const spent = plan.consumables + drawMinutes(plan.steps, chance) * rules.labourCentsPerMinute;
  if (hidden.length > 0) {
    const tests = { ...subject.tests, ...Object.fromEntries(hidden.map((test) => [test, 'fault' as const])) };
    const found = { ...unit, subject: { ...subject, tests } };
    const rest = harvestOf(truth.model, found.subject, known, rules);
    const apart = rest ? takeApart(found, rest, rules, chance) : { cents: 0, ...untouched };
    return { ...apart, cents: apart.cents - spent };
  }
  const drawn = chance.next();
  const { better, worse } = rules.saleGradeShift;
  const at = saleGrades.indexOf(plan.sellsAt) + (drawn < better ? -1 : drawn < better + worse ? 1 : 0);
  const grade = saleGrades[Math.min(Math.max(at, 0), saleGrades.length - 1)] as SaleGrade;
  const price = salePrice(truth.model, subject, grade, rules);
  const parts = plan.parts.reduce((sum, { cents }) => sum + cents, 0);
  const broken = plan.moves.reduce(
    (sum, { breakage, anotherCents }) => sum + (chance.happens(breakage) ? anotherCents : 0),
    0,
  );
  return { cents: price - sellingCosts(price, rules) - parts - broken - spent, ...untouched };
}

/**
 * What a careful hand gets of a unit without sums: everything that has a price, in the order in which the author wrote it.
 */
export function takeAllApart(unit: TrueUnit, rules: HouseRules): Outcome {
  const { truth, subject, bad, seed } = unit;
  const model = modelBySchools(truth.model, rules);
  const findings = kindsFound(subject);
  const priced = model.parts.filter((part) => part.valueCents && capIn(model, part, subject)?.grade !== 'X');
  const targets = priced.map(({ id }) => id);
  const sheet = sheetOf(truth.model, subject, { kind: 'teardown', targets, rules });
  if (!sheet.ok) return { cents: -rules.recycleCents, ...untouched };
  const byId = new Map(operationsFor(model, { ...subject, findings }).map((operation) => [operation.id, operation]));
  const order = sheet.value.steps.flatMap(({ operationId, leg }): readonly Operation[] => {
    const operation = leg === 'out' && operationId ? byId.get(operationId) : undefined;
    return operation ? [operation] : [];
  });
  const chance = new Chance(seed);
  const policies = new Map(
    order.flatMap((operation) => {
      const resists = expectedResistance(operation, findings, startingOdds, rules);
      return resists ? [[operation.id, resists.policy] as const] : [];
    }),
  );
  const { parts, cents, handMinutes } = simulateTeardown(order, { findings, bad, odds: truth.odds }, chance, policies);
  const sound = new Set(parts.filter(({ isSound }) => isSound).map(({ part }) => part));
  const beside = sheet.value.steps.filter(({ operationId, leg }) => leg !== 'out' || operationId === undefined);
  const changes = order.reduce((sum, { tool, face }, at) => {
    const before = order[at - 1];
    if (!before) return sum;
    return sum + (before.tool === tool ? 0 : rules.toolChangeMinutes) + (before.face === face ? 0 : rules.turnMinutes);
  }, 0);
  const taken = handMinutes + changes + drawMinutes(beside, chance);
  return {
    cents: soldFor(unit, targets, sound, rules) - cents - taken * rules.labourCentsPerMinute,
    ...untouched,
  };
}
