import fc from 'fast-check';
import { after, operation, shippedModels } from '../../../tests/support/models';
import { authorOrder } from '@/core/procedure/authorOrder';
import type { Operation } from '@/core/procedure/operations';
import { startingHouseRules } from '@/core/shared/houseRules';
import { orderOperations } from './orderOperations';
import { sequenceOf } from './order/sequenceOf';
import { endOf, timeOrder } from './order/sequenceProblem';

const rules = { toolChangeMinutes: 1, turnMinutes: 2 };
const ground = { postures: [], findings: [] };
const ids = (operations: readonly Operation[], on: Parameters<typeof orderOperations>[1] = ground) =>
  orderOperations(operations, on, rules).operations.map(({ id }) => id);

describe('orderOperations', () => {
  test('is a permutation in which everything comes after what it waits for', () => {
    const dags = fc.integer({ min: 1, max: 14 }).chain((count) =>
      fc.tuple(
        ...Array.from({ length: count }, (_, at) =>
          fc
            .record({
              before: fc.uniqueArray(fc.integer({ min: 0, max: Math.max(0, at - 1) }), { maxLength: Math.min(3, at) }),
              tool: fc.constantFrom('pick', 'driver', 'Hands'),
              face: fc.constantFrom('front', 'back'),
            })
            .map(({ before, tool, face }) =>
              operation(`o${at}`, { tool, face, after: before.map((id) => after(`o${id}`)) }),
            ),
        ),
      ),
    );
    fc.assert(
      fc.property(dags, (operations) => {
        const order = ids(operations);
        expect([...order].sort()).toEqual(operations.map(({ id }) => id).sort());
        for (const op of operations)
          for (const { any } of op.after) expect(any.some((id) => order.indexOf(id) < order.indexOf(op.id))).toBe(true);
      }),
      { seed: 2026 },
    );
  });

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: proven, and never slower than the author’s own order',
    (_, model) => {
      const findings: readonly [] = [];
      const revision = model.revisions[0]?.id ?? null;
      const configuration = model.configurations[0]?.id ?? null;
      const own = authorOrder(model, { revision, configuration, findings });
      const place = { postures: model.postures, findings };
      const best = orderOperations(own, place, startingHouseRules, { states: 40_000 });
      const problem = sequenceOf(own, place, startingHouseRules);
      const asWritten = own.map((_operation, index) => ({ operation: index, choice: 0 }));
      expect(best.isProven).toBe(true);
      expect(best.minutes).toBeLessThanOrEqual(endOf(problem, timeOrder(problem, asWritten)) + 1e-9);
    },
  );

  test('stays with the tool in hand while it can', () => {
    const operations = [
      operation('a', { tool: 'pick' }),
      operation('b', { tool: 'driver' }),
      operation('c', { tool: 'pick' }),
    ];
    expect(orderOperations(operations, ground, rules).minutes).toBe(4);
    expect(ids(operations)).not.toEqual(['a', 'b', 'c']);
  });

  test('begins with what is in hand already', () => {
    const operations = [operation('a', { tool: 'pick' }), operation('b', { tool: 'driver' })];
    expect(ids(operations, { ...ground, last: operation('done', { tool: 'driver' }) })).toEqual(['b', 'a']);
  });

  test('takes what stands in the way out first, and not for nothing when it is out already', () => {
    const snap = operation('snap', { slowWhile: [{ part: 'camera', factor: 3, because: 'No room.' }] });
    const camera = operation('camera', { frees: ['camera'] });
    expect(ids([snap, camera])).toEqual(['camera', 'snap']);
    const { minutes } = orderOperations([snap], { ...ground, outParts: new Set(['camera']) }, rules);
    expect(orderOperations([snap], ground, rules).minutes).toBeCloseTo(3 * minutes, 9);
  });

  test('a tool that is slower but in hand is taken, with its own minutes', () => {
    const quarter = { low: 0.25, likely: 0.25, high: 0.25 };
    const row = [
      operation('a', { tool: 'pick' }),
      operation('b', {
        tool: 'driver',
        minutes: quarter,
        orTools: [{ tool: 'pick', minutesFactor: 2 }],
        after: [after('a')],
      }),
      operation('c', { tool: 'pick', after: [after('b')] }),
    ];
    const [, middle] = orderOperations(row, ground, rules).operations;
    expect(middle?.tool).toBe('pick');
    expect(middle?.minutes.likely).toBe(0.5);
    // What a finding changes is slower by the same tool.
    const cracked = row.map((own) =>
      own.id === 'b' ? { ...own, minutesWhen: [{ findings: ['crack' as const], minutes: quarter }] } : own,
    );
    const [, slow] = orderOperations(cracked, { ...ground, findings: ['crack'] }, rules).operations;
    expect(slow?.minutesWhen?.[0]?.minutes.likely).toBe(0.5);
  });

  test('a circle is the caller’s mistake', () => {
    expect(() => ids([operation('a', { after: [after('b')] }), operation('b', { after: [after('a')] })])).toThrow(
      RangeError,
    );
  });
});
