import { formatFeatures, featuresUsed } from '../../tests/support/formatUse';
import { graphShape } from '../../tests/support/graphShape';
import { shippedModels } from '../../tests/support/models';
import { allFeatures, featuresOf } from '@/core/procedure/features';
import type { Model } from '@/core/procedure/model';

const users = new Map<string, string[]>();
for (const model of shippedModels) {
  for (const feature of featuresUsed(model)) users.set(feature, [...(users.get(feature) ?? []), model.id]);
}

describe('the models that ship', () => {
  test('are at least twelve, over all kinds, with 20 to 80 operations each', () => {
    expect(shippedModels.length).toBeGreaterThanOrEqual(12);
    expect(new Set(shippedModels.map(({ kind }) => kind)).size).toBe(4);
    for (const { operations } of shippedModels) {
      expect(operations.length).toBeGreaterThanOrEqual(20);
      expect(operations.length).toBeLessThanOrEqual(80);
    }
  });

  test('use every feature of the format', () => {
    expect([...formatFeatures()].filter((feature) => !users.has(feature))).toEqual([]);
  });

  test('show every feature that the library finds by', () => {
    const shown = new Set(shippedModels.flatMap(featuresOf));
    expect(allFeatures.filter((feature) => !shown.has(feature))).toEqual([]);
  });

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: without it some feature has at most one user left',
    (_, model) => {
      const rare = [...users].filter(([, ids]) => ids.includes(model.id) && ids.length <= 2);
      expect(rare).not.toEqual([]);
    },
  );

  test('no two have the same graph, whatever they are called', () => {
    expect(new Set(shippedModels.map(graphShape)).size).toBe(shippedModels.length);
  });

  test('the graph of a model that is only renamed stays the same', () => {
    const rename = (model: Model): Model =>
      JSON.parse(JSON.stringify(model), (key, value: unknown) =>
        key === 'id' && typeof value === 'string'
          ? `x-${value}`
          : key === 'any'
            ? (value as string[]).map((id) => `x-${id}`)
            : value,
      ) as Model;
    for (const model of shippedModels) expect(graphShape(rename(model))).toBe(graphShape(model));
  });

  test('every id, letters and name is its own', () => {
    const words = shippedModels.flatMap(({ letters, name, aliases }) => [letters, name, ...aliases]);
    expect(new Set(words.map((word) => word.toLowerCase())).size).toBe(words.length);
  });
});
