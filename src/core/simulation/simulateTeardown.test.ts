import { madeUpModel } from '../../../tests/support/madeUpModel';
import { shippedModels } from '../../../tests/support/models';
import { withFindings } from '@/core/findings/mark';
import type { Model } from '@/core/procedure/model';
import { operationsFor } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import { planProblemOf } from '@/core/teardown/joint/planProblemOf';
import { planTeardown } from '@/core/teardown/plan/planTeardown';
import type { PlanRequest } from '@/core/teardown/plan/teardownPlan';
import { savedMoves } from '@/core/teardown/worth/savedMoves';
import { drawTriangle } from '@/core/statistics/triangle';
import { simulateTeardown } from './simulateTeardown';

const runs = 1500;
/** Beyond this many standard errors a mean is no accident, over all models together. */
const tolerance = 4;

const meanOf = (values: readonly number[]) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
  return { mean, error: Math.sqrt(variance / values.length) };
};

describe('simulateTeardown', () => {
  test('a triangle has its own mean', () => {
    const chance = new Chance(1);
    const { mean, error } = meanOf(
      Array.from({ length: runs }, () => drawTriangle({ low: 1, likely: 2, high: 6 }, chance)),
    );
    expect(Math.abs(mean - 3)).toBeLessThan(tolerance * error);
  });

  test('the same chance, the same teardown', () => {
    const [model] = shippedModels;
    const once = () => simulateTeardown(model?.operations ?? [], { findings: [], bad: new Set() }, new Chance(9));
    expect(once()).toEqual(once());
  });

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: what plans expect is the mean of what happens, in every revision, whatever was found, however far',
    (_, model) => {
      for (const revision of model.revisions.map(({ id }) => id)) {
        holds(model, { revision, findings: [], aim: { kind: 'pays' } });
        for (const found of [[], ['crack'], ['liquid', 'opened-before']] as const) {
          holds(model, { revision, findings: found, aim: { kind: found.length === 0 ? 'everything' : 'pays' } });
        }
      }
    },
  );

  test('made-up models: what plans expect is the mean of what happens', () => {
    for (let seed = 1; seed <= 25; seed += 1) {
      holds(madeUpModel(seed), { revision: null, findings: [], aim: { kind: seed % 2 === 0 ? 'pays' : 'everything' } });
    }
  });
});

type Asked = Pick<PlanRequest, 'revision' | 'findings' | 'aim'>;

function holds(model: Model, { revision, findings, aim }: Asked): void {
  const configuration = model.configurations[0]?.id ?? null;
  const situation = { revision, configuration, findings };
  // Nothing is known from a log: a part is sound with the same chance, less what was found, and breaks by the risks.
  const unseen = { share: 0.8, low: 0.8, high: 0.8 };
  const ground = { shares: {}, sharesGiven: {}, unseen, market: {}, resistances: [] };
  const parts = knowledgeOf(model, configuration, ground, rules, withFindings({ marks: [] }, findings));
  const scrap = parts.filter(({ chance }) => chance === 0).map(({ part }) => part);
  const outcome = planTeardown(model, { ...situation, aim, parts, scrap }, rules);
  if (!outcome.ok) return expect(['no-worth', 'targets-unreachable']).toContain(outcome.refusal.reason);
  const plan = outcome.value;
  const byHouse = modelBySchools(model, rules);
  const operations = operationsFor(byHouse, situation);
  const numbered = planProblemOf(
    {
      model: byHouse,
      postures: model.postures,
      findings,
      operations,
      isAllowed: ({ destroys = [] }) => destroys.every((part) => scrap.includes(part)),
    },
    { worths: parts, saved: [], wanted: [] },
    rules,
  );
  const policies = new Map(
    operations.flatMap(({ id }, at) => {
      const policy = numbered.resists[at]?.policy;
      return policy ? [[id, policy] as const] : [];
    }),
  );
  const saved = savedMoves(
    byHouse,
    situation,
    parts.filter(({ chance }) => chance > 0).map(({ part }) => part),
    rules,
  );
  const brings = new Map(parts.map(({ part, soundCents }) => [part, soundCents]));
  const partnerOf = (part: string) => {
    const own =
      model.parts.find(({ id }) => id === part)?.boundTo ?? model.parts.find(({ boundTo }) => boundTo === part)?.id;
    return own !== undefined && brings.has(own) ? own : part;
  };
  const changes = plan.steps.reduce((sum, { setUp, waiting }) => sum + setUp + waiting, 0);
  const chance = new Chance(2026);
  const nets = Array.from({ length: runs }, () => {
    const bad = new Set(parts.filter(({ chance: share }) => !chance.happens(share)).map(({ part }) => part));
    const { parts: freed, cents, handMinutes } = simulateTeardown(plan.operations, { findings, bad }, chance, policies);
    const sound = new Set(freed.filter(({ isSound }) => isSound).map(({ part }) => part));
    const worth = [...sound].reduce((sum, part) => sum + (sound.has(partnerOf(part)) ? (brings.get(part) ?? 0) : 0), 0);
    return worth - cents - (handMinutes + changes) * rules.labourCentsPerMinute;
  });
  // What whole assemblies save is counted by what was sound in the unit: reckoned, not drawn.
  const out = new Set(plan.operations.flatMap(({ frees }) => frees));
  const chanceOf = new Map(parts.map(({ part, chance: share }) => [part, share]));
  const moves = saved.filter(({ assembly, part }) => out.has(assembly) && !out.has(part));
  const movesCents = moves.reduce(
    (sum, { assembly, part, cents }) => sum + cents * (chanceOf.get(assembly) ?? 1) * (chanceOf.get(part) ?? 1),
    0,
  );
  const { mean, error } = meanOf(nets);
  const expected = plan.netCents - movesCents;
  expect(Math.abs(mean - expected)).toBeLessThan(tolerance * error + 0.5);
}
