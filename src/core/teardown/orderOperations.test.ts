import fc from 'fast-check';
import { after, operation } from '../../../tests/support/models';
import { orderOperations, setUpMinutes } from './orderOperations';

const setUp = { toolChangeMinutes: 1, turnMinutes: 2 };

describe('orderOperations', () => {
  test('is a permutation in which everything comes after what it waits for', () => {
    const dags = fc.integer({ min: 1, max: 14 }).chain((count) =>
      fc.tuple(
        ...Array.from({ length: count }, (_, at) =>
          fc
            .record({
              before: fc.uniqueArray(fc.integer({ min: 0, max: Math.max(0, at - 1) }), { maxLength: Math.min(3, at) }),
              tool: fc.constantFrom('pick', 'driver', 'hands'),
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
        const order = orderOperations(operations, setUp).map(({ id }) => id);
        expect([...order].sort()).toEqual(operations.map(({ id }) => id).sort());
        for (const op of operations)
          for (const { any } of op.after) expect(any.some((id) => order.indexOf(id) < order.indexOf(op.id))).toBe(true);
      }),
      { seed: 2026 },
    );
  });

  test('stays with the tool in hand while it can', () => {
    const operations = [
      operation('a', { tool: 'pick' }),
      operation('b', { tool: 'driver' }),
      operation('c', { tool: 'pick' }),
    ];
    expect(orderOperations(operations, setUp).map(({ id }) => id)).toEqual(['a', 'c', 'b']);
  });

  test('counts tool and face apart', () => {
    const at = (tool: string, face: string) => operation('x', { tool, face });
    expect(setUpMinutes(undefined, at('pick', 'front'), setUp)).toBe(0);
    expect(setUpMinutes(at('pick', 'front'), at('driver', 'back'), setUp)).toBe(3);
    expect(setUpMinutes(at('pick', 'front'), at('pick', 'back'), setUp)).toBe(2);
  });

  test('a circle is the caller’s mistake', () => {
    expect(() =>
      orderOperations([operation('a', { after: [after('b')] }), operation('b', { after: [after('a')] })], setUp),
    ).toThrow(RangeError);
  });
});
