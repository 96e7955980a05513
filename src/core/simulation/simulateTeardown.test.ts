import { shippedModels } from '../../../tests/support/models';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import { planTeardown } from '@/core/teardown/plan/planTeardown';
import { drawTriangle } from '@/core/statistics/triangle';
import { simulateTeardown } from './simulateTeardown';

const runs = 4000;
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
    '%s: the planner’s minutes and worth are the means of what happens',
    (_, model) => {
      const configuration = model.configurations[0]?.id ?? null;
      // Nothing is known from a log: every part is sound with the same chance, and breaks only by the model's risks.
      const soundBefore = 0.8;
      const unseen = { share: soundBefore, low: soundBefore, high: soundBefore };
      const parts = knowledgeOf(model, configuration, { shares: {}, sharesGiven: {}, unseen, market: {}, resistances: [] }, rules);
      const outcome = planTeardown(
        model,
        {
          aim: { kind: 'everything' },
          parts,
          scrap: [],
          revision: model.revisions[0]?.id ?? null,
          configuration,
          findings: [],
        },
        rules,
      );
      if (!outcome.ok) throw new Error(outcome.refusal.reason);
      const plan = outcome.value;
      const chance = new Chance(2026);
      const teardowns = Array.from({ length: runs }, () => {
        const bad = new Set(parts.filter(() => !chance.happens(soundBefore)).map(({ part }) => part));
        return simulateTeardown(plan.operations, { findings: [], bad }, chance);
      });
      const minutes = meanOf(teardowns.map(({ handMinutes }) => handMinutes));
      const planned = plan.steps.reduce((sum, { work }) => sum + work, 0);
      // Obstruction is in the plan's minutes and not in the simulator's, but the best order leaves none of it here.
      expect(Math.abs(minutes.mean - planned)).toBeLessThan(tolerance * minutes.error + 0.02 * planned);

      const brings = new Map(parts.map(({ part, soundCents }) => [part, soundCents]));
      const worth = meanOf(
        teardowns.map(({ parts: freed }) =>
          freed.reduce((sum, { part, isSound }) => sum + (isSound ? (brings.get(part) ?? 0) : 0), 0),
        ),
      );
      const labour = plan.handMinutes * rules.labourCentsPerMinute;
      const expected = plan.netCents + labour;
      expect(Math.abs(worth.mean - expected)).toBeLessThan(tolerance * worth.error + 0.001 * expected);
    },
  );
});
