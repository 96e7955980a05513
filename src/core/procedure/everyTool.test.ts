import { shippedModels } from '../../../tests/support/models';
import { situationsOf } from '../../../tests/support/situations';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet, reachableTargets } from '@/core/teardown/sheet/runSheet';
import { everyTool } from './everyTool';
import type { Operation } from './operations';

test('every tool of an operation: its own, the second, the others, those of its rungs and of the way back', () => {
  const operation = {
    tool: 'Hands',
    withTool: 'Plastic pick',
    orTools: [{ tool: 'Spatula', minutesFactor: 2 }],
    ladder: { rungs: [{ tool: 'Syringe' }, {}] },
    back: { tool: 'Roller', withTool: 'Clamp' },
  } as unknown as Operation;
  expect(everyTool(operation)).toEqual(['Hands', 'Plastic pick', 'Spatula', 'Syringe', 'Roller', 'Clamp']);
  expect(everyTool({ tool: 'Spatula', orTools: [] } as unknown as Operation)).toEqual(['Spatula']);
});

test.each(shippedModels.map((model) => [model.name, model] as const))(
  '%s: whatever a sheet lays out, the shop can say that it has not got it',
  (_, model) => {
    const named = new Set(model.operations.flatMap(everyTool));
    const laidOut = situationsOf(model).flatMap((situation) => {
      const request = { ...situation, kind: 'rebuild' as const, targets: model.parts.map(({ id }) => id) };
      const targets = reachableTargets(model, request, startingHouseRules);
      const sheet = planRunSheet(model, { ...request, targets }, startingHouseRules);
      if (!sheet.ok) return [];
      // A second tool is laid out with the first.
      for (const { tool, hands } of sheet.value.steps)
        for (const each of [tool, hands?.withTool ?? tool])
          expect(each === 'Hands' || sheet.value.tools.includes(each)).toBe(true);
      // What only a rung needs is named apart, once.
      expect(sheet.value.rungTools.filter((tool) => sheet.value.tools.includes(tool) || tool === 'Hands')).toEqual([]);
      return [...sheet.value.tools, ...sheet.value.rungTools];
    });
    expect(laidOut.length).toBeGreaterThan(0);
    expect(laidOut.filter((tool) => !named.has(tool))).toEqual([]);
    const rungs = model.operations.flatMap(({ ladder }) => ladder?.rungs.flatMap(({ tool }) => tool ?? []) ?? []);
    expect(rungs.filter((tool) => tool !== 'Hands' && !laidOut.includes(tool))).toEqual([]);
  },
);
