import { after, operation, phone, shippedModels, smallModel } from '../../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { findings } from '@/core/procedure/vocabulary';
import { startingHouseRules } from '@/core/shared/houseRules';
import { comparePlans } from './comparePlans';
import { knowledgeOf, type PlanGround } from './knowledgeOf';
import { planTeardown } from './planTeardown';
import type { PlanAim, PlanRequest, TeardownPlan } from './teardownPlan';

const ground: PlanGround = {
  shares: {},
  sharesGiven: {},
  unseen: { share: 0.75, low: 0.4, high: 0.95 },
  market: {},
  resistances: [],
};
const rules = startingHouseRules;

function request(model: Model, aim: PlanAim, more: Partial<PlanRequest> = {}): PlanRequest {
  const configuration = model.configurations[0]?.id ?? null;
  const parts = knowledgeOf(model, configuration, ground, rules);
  return { aim, parts, scrap: [], revision: model.revisions[0]?.id ?? null, configuration, findings: [], ...more };
}

function planned(model: Model, aim: PlanAim, more: Partial<PlanRequest> = {}): TeardownPlan {
  const outcome = planTeardown(model, request(model, aim, more), rules);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
}

const ids = ({ operations }: TeardownPlan) => operations.map(({ id }) => id);

describe('planTeardown', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: two parts, everything, and what pays',
    (_, model) => {
      const worthy = knowledgeOf(model, model.configurations[0]?.id ?? null, ground, rules).map(({ part }) => part);
      const two = planned(model, { kind: 'parts', parts: worthy.slice(0, 2) });
      const all = planned(model, { kind: 'everything' });
      const pays = planned(model, { kind: 'pays' });
      for (const plan of [two, all, pays]) {
        expect(plan.isProven).toBe(true);
        expect(plan.cost.minutes).toBeLessThanOrEqual(plan.authorCost.minutes + 1e-9);
        expect(plan.curve).toHaveLength(new Set(plan.curve.map(({ operation: id }) => id)).size);
        expect(plan.curve[plan.operations.length]?.cents).toBeCloseTo(plan.netCents, 6);
      }
      const freed = new Set(two.operations.flatMap(({ frees }) => frees));
      expect(worthy.slice(0, 2).every((part) => freed.has(part))).toBe(true);
      expect(ids(all).length).toBeGreaterThanOrEqual(ids(two).length);
      // What pays brings at least what doing nothing does, but for the set-up minutes, which the choice does not see.
      expect(pays.netCents).toBeGreaterThan(-pays.handMinutes * rules.labourCentsPerMinute * 0.3 - 1);
    },
  );

  test('a cent over its break-even a part is freed, a cent below it stays in', () => {
    const usual = planned(phone, { kind: 'pays' });
    const line = usual.lines.find(({ payFromCents }) => payFromCents !== null && payFromCents > 1);
    if (!line?.payFromCents) throw new Error('no part of the phone has a break-even');
    const at = (soundCents: number) => {
      const { parts } = request(phone, { kind: 'pays' });
      const changed = parts.map((known) => (known.part === line.part ? { ...known, soundCents } : known));
      return planned(phone, { kind: 'pays' }, { parts: changed }).lines.find(({ part }) => part === line.part)?.verdict;
    };
    expect(at(line.payFromCents)).toBe('free');
    expect(at(line.payFromCents - 1)).toBe('leave');
  });

  test('a cable is cut when what it belongs to is scrap, and never otherwise', () => {
    const parts = ['board'];
    expect(ids(planned(phone, { kind: 'parts', parts }))).not.toContain('cut-display');
    const cut = request(phone, { kind: 'parts', parts }, { scrap: ['display'] });
    // Where taking up the cutters costs nothing; else pulling the plug with the tool in hand is quicker.
    const quick = planTeardown(phone, cut, { ...rules, toolChangeMinutes: 0 });
    expect(quick.ok && ids(quick.value)).toContain('cut-display');
  });

  test('a risk for a part that is still in is counted, and the plan changes when that pays', () => {
    const quick = { low: 1, likely: 1, high: 1 };
    const model = smallModel([
      operation('door', { minutes: quick }),
      operation('foil', {
        minutes: quick,
        frees: ['foil'],
        after: [after('door')],
        risks: [{ part: 'glass', chance: 0.9, what: 'cracks' }],
      }),
      operation('glass', { minutes: quick, frees: ['glass'], after: [after('foil')] }),
      operation('lid', { minutes: quick, frees: ['glass'], after: [after('door')] }),
    ]);
    const parts = [
      { part: 'glass', soundCents: 4000, chance: 1, lowChance: 1, highChance: 1, isSeen: true },
      { part: 'foil', soundCents: 100, chance: 1, lowChance: 1, highChance: 1, isSeen: true },
    ];
    const plan = planned(model, { kind: 'pays' }, { parts, revision: null, configuration: null });
    expect(plan.operations.flatMap(({ frees }) => frees)[0]).toBe('glass');
    expect(plan.netCents).toBeGreaterThan(3700);
  });

  test('what cannot be freed, and nothing with a price, are said', () => {
    const refusalOf = (asked: PlanRequest) => {
      const outcome = planTeardown(phone, asked, rules);
      return outcome.ok ? null : outcome.refusal.reason;
    };
    expect(refusalOf(request(phone, { kind: 'parts', parts: ['moon'] }))).toBe('targets-unreachable');
    expect(refusalOf(request(phone, { kind: 'pays' }, { parts: [] }))).toBe('no-worth');
  });

  test('three hundred operations in any order are planned all the same', () => {
    const operations = Array.from({ length: 300 }, (_, at) =>
      operation(`o${at}`, { tool: ['pick', 'driver', 'Hands'][at % 3] as string, frees: [`p${at}`] }),
    );
    const parts = operations.map(({ frees: [part = ''] }) => ({
      part,
      soundCents: 500,
      chance: 0.9,
      lowChance: 0.8,
      highChance: 1,
      isSeen: true,
    }));
    const plan = planned(smallModel(operations), { kind: 'pays' }, { parts, revision: null, configuration: null });
    expect(plan.operations).toHaveLength(300);
    expect(plan.isProven).toBe(true);
    expect(plan.cost.toolChanges).toBe(2);
  });

  test('operations that take no time cost nothing, and come when they free something', () => {
    const nothing = { low: 0, likely: 0, high: 0 };
    const model = smallModel([
      operation('door', { minutes: nothing }),
      operation('part', { minutes: nothing, frees: ['p'], after: [after('door')] }),
      operation('idle', { minutes: nothing }),
    ]);
    const parts = [{ part: 'p', soundCents: 1, chance: 1, lowChance: 1, highChance: 1, isSeen: true }];
    const plan = planned(model, { kind: 'pays' }, { parts, revision: null, configuration: null });
    expect(ids(plan)).toEqual(['door', 'part']);
    expect([plan.cost.minutes, Math.round(plan.netCents)]).toEqual([0, 1]);
  });

  test('all that can be found at once, contradictions too, is still a plan or a reason', () => {
    for (const model of shippedModels) {
      const outcome = planTeardown(model, request(model, { kind: 'everything' }, { findings: [...findings] }), rules);
      expect(outcome.ok || outcome.refusal.reason === 'targets-unreachable').toBe(true);
    }
  });

  test('when every part is scrap nothing pays, and nothing is opened', () => {
    const { parts } = request(phone, { kind: 'pays' });
    const plan = planned(phone, { kind: 'pays' }, { scrap: parts.map(({ part }) => part) });
    expect(plan.operations).toEqual([]);
  });

  test('two plans differ by what came in, what fell away, minutes and money; the same plan does not', () => {
    const [pays, camera] = [planned(phone, { kind: 'pays' }), planned(phone, { kind: 'parts', parts: ['camera'] })];
    const difference = comparePlans(pays, camera);
    expect(comparePlans(pays, planned(phone, { kind: 'pays' }))).toBeNull();
    expect(difference?.added).toEqual([]);
    expect(difference?.dropped).toHaveLength(pays.operations.length - camera.operations.length);
    expect(difference?.left).toContain('battery');
    expect(difference?.minutes).toBeCloseTo(camera.cost.minutes - pays.cost.minutes, 9);
    expect(comparePlans(camera, pays)?.freed).toEqual(difference?.left);
  });

  test('nothing wanted is nothing to do', () => {
    const plan = planned(phone, { kind: 'parts', parts: [] });
    expect(plan.operations).toEqual([]);
    expect(plan.netCents).toBe(0);
  });
});
