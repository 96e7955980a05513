import { startingHouseRules } from '@/core/shared/houseRules';
import type { Model } from '@/core/procedure/model';
import { lockTests, type DeviceTest, type Finding, type TestResult } from '@/core/procedure/vocabulary';
import { sheetOf } from '@/core/sheet/sheetOf';
import type { Disposition } from '@/core/entities/stages';
import type { Chance } from '@/core/shared/chance';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { salePrice } from '@/core/sale/predictSale';
import { drawMinutes } from '@/core/triage/drawRange';
import type { Knowledge, Subject } from '@/core/triage/knowledge';
import { knownTests, knownYields, unseenYield } from '@/core/triage/knownYields';
import { planBuild } from '@/core/triage/valueBuild';
import { planHarvest } from '@/core/triage/valueDonor';

/** What is true of the units of one model, and nobody in the shop knows. */
export interface ModelTruth {
  readonly model: Model;
  /** How often each part comes out sound. */
  readonly yields: ReadonlyMap<string, number>;
  /** How often each function works. */
  readonly works: ReadonlyMap<DeviceTest, number>;
}

/** A unit as it lies at triage, with what is really the matter. */
export interface TrueUnit {
  readonly truth: ModelTruth;
  readonly subject: Subject;
  readonly faults: ReadonlySet<DeviceTest>;
}

export function inventTruth(model: Model, chance: Chance): ModelTruth {
  return {
    model,
    yields: new Map(model.parts.map(({ id }) => [id, chance.between(0.35, 0.97)])),
    works: new Map(model.tests.map((test) => [test, chance.between(0.7, 0.98)])),
  };
}

const marks: readonly Finding[] = ['crack', 'liquid', 'dent', 'opened-before'];

/** A unit with faults by the truth; a quick look notes most of the tests and skips some. */
export function inventUnit(truth: ModelTruth, chance: Chance): TrueUnit {
  const { model, works } = truth;
  const faults = new Set(
    model.tests.filter((test) => !lockTests.includes(test) && !chance.happens(works.get(test) ?? 1)),
  );
  const tests: Partial<Record<DeviceTest, TestResult>> = {};
  for (const test of model.tests) {
    if (test === 'starts' || chance.happens(0.8)) tests[test] = faults.has(test) ? 'fault' : 'sound';
  }
  const found = marks.filter(() => chance.happens(0.12));
  return {
    truth,
    faults,
    subject: {
      revision: chance.pick(model.revisions).id,
      configuration: model.configurations[0]?.id ?? null,
      variant: chance.pick(model.variants).id,
      marks: found.map((kind) => ({ kind, face: model.faces[0]?.id ?? '', field: 5 })),
      tests,
    },
  };
}

/** What the shop has learned: so many parts sought and tests noted, drawn from the truth. */
export function learn(truth: ModelTruth, sought: number, chance: Chance): Knowledge {
  const good = (share: number) => Array.from({ length: sought }, () => chance.happens(share)).filter(Boolean).length;
  const { model, yields, works } = truth;
  const counts = [...yields].map(([partRef, share]) => ({ modelId: model.id, partRef, sought, good: good(share) }));
  return {
    shelf: Object.fromEntries(model.parts.map(({ interchange }) => [interchange, { grade: 'B' as const, count: 3 }])),
    yields: knownYields(counts)[model.id] ?? {},
    yieldsGiven: {},
    resistances: [],
    unseen: unseenYield,
    market: {},
    lacking: {},
    tests: knownTests([...works].map(([test, share]) => ({ test, noted: sought, sound: good(share) }))),
  };
}

/** What a choice really brings for a unit, drawn from the truth: hidden faults come out at Prove, parts as they come out. */
export function realMoney(
  { truth, subject, faults }: TrueUnit,
  choice: Disposition,
  known: Knowledge,
  rules: HouseRules,
  chance: Chance,
): number {
  const { model, yields } = truth;
  const labour = rules.labourCentsPerMinute;
  if (choice === 'recycle' || choice === 'quarantine') return -rules.recycleCents;
  if (choice === 'as-is')
    return subject.tests.starts === 'sound'
      ? salePrice(model, { ...subject, disposition: 'as-is' }, 'D', rules)
      : -rules.recycleCents;
  const harvest = planHarvest(model, subject, known, rules);
  const asDonor = (parts: readonly string[], findings = subject) => {
    const sheet = sheetOf(model, findings, { kind: 'teardown', targets: parts, rules: startingHouseRules });
    if (!sheet.ok) return -rules.recycleCents;
    const brought = parts.reduce((sum, id) => {
      const values = model.parts.find((part) => part.id === id)?.valueCents;
      if (!values || !chance.happens(yields.get(id) ?? 0)) return sum;
      const drawn = chance.next();
      let share = 0;
      const grade = saleGrades.find((one) => drawn < (share += rules.gradeMix[one])) ?? 'D';
      return sum + values[grade];
    }, 0);
    return brought - drawMinutes(sheet.value.steps, chance) * labour;
  };
  const paying = harvest?.harvest.map(({ part }) => part) ?? [];
  if (choice === 'donor') return paying.length > 0 ? asDonor(paying) : -rules.recycleCents;
  const plan = planBuild(model, subject, known, rules);
  if (!plan || (subject.tests.starts === 'fault' && plan.needed.length === 0)) return -rules.recycleCents;
  const fixed = new Set(plan.needed.map(({ category }) => category));
  const isHidden = (test: DeviceTest) => subject.tests[test] === undefined && !answered(test, fixed);
  const work = drawMinutes(plan.steps, chance) * labour;
  if ([...faults].some(isHidden))
    return (paying.length > 0 ? Math.max(0, asDonor(paying)) : 0) - plan.consumables - work;
  const drawn = chance.next();
  const { better, worse } = rules.saleGradeShift;
  const at = saleGrades.indexOf(plan.sellsAt) + (drawn < better ? -1 : drawn < better + worse ? 1 : 0);
  const grade = saleGrades[Math.min(Math.max(at, 0), saleGrades.length - 1)] as SaleGrade;
  const parts = plan.parts.reduce((sum, { cents }) => sum + cents, 0);
  return salePrice(model, subject, grade, rules) - parts - plan.consumables - work;
}

/** A new part of these kinds answers the test. */
function answered(test: DeviceTest, fixed: ReadonlySet<string>): boolean {
  const cure: Partial<Record<DeviceTest, string>> = {
    picture: 'display',
    touch: 'display',
    keys: 'keys',
    sound: 'speaker',
    cameras: 'camera',
  };
  const category = cure[test];
  return category !== undefined && fixed.has(category);
}
