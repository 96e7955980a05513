import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { openability } from './openability';

const of = (model: Model) =>
  openability(
    model,
    { revision: model.revisions[0]?.id ?? null, configuration: model.configurations[0]?.id ?? null, findings: [] },
    rules,
  );

describe('openability', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: the means are those of its lines',
    (_, model) => {
      const { openings, minutes, cents, breakage } = of(model);
      expect(openings.length).toBeGreaterThan(0);
      const shares = openings.reduce((sum, { share }) => sum + share, 0);
      expect(minutes).toBeCloseTo(openings.reduce((sum, own) => sum + own.share * own.minutes, 0) / shares, 9);
      expect(cents).toBeGreaterThan(0);
      expect(breakage).toBeGreaterThanOrEqual(0);
      expect(breakage).toBeLessThan(1);
    },
  );

  test('a battery behind one more step is harder to get at, by that step', () => {
    const [model] = shippedModels.filter(({ parts }) => parts.some(({ category }) => category === 'battery'));
    if (!model) throw new Error('a model has a battery');
    const battery = model.parts.find(({ category }) => category === 'battery');
    const slower: Model = {
      ...model,
      operations: model.operations.map((operation) =>
        battery && operation.frees.includes(battery.id)
          ? { ...operation, ends: [], minutes: { low: 30, likely: 30, high: 30 } }
          : operation,
      ),
    };
    const minutesOf = (given: Model) => of(given).openings.find(({ part }) => part === battery?.id)?.minutes ?? 0;
    expect(minutesOf(slower)).toBeGreaterThan(minutesOf(model) + 20);
  });
});
