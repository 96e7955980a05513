import fc from 'fast-check';
import { after, operation } from '../../../tests/support/models';
import type { Operation } from '@/core/procedure/operations';
import { isReady } from '@/core/procedure/situation';
import { chooseOperations } from './chooseOperations';

const minutes = (op: Operation) => op.minutes.likely;
const ids = (operations: readonly Operation[], targets: readonly string[]) => {
  const chosen = chooseOperations(operations, targets, minutes);
  return chosen.ok ? chosen.value.ids : chosen.refusal.reason;
};

/** Cheapest subset that frees the targets and can be ordered, by trying every subset. */
function bruteForce(operations: readonly Operation[], targets: readonly string[]): number | null {
  const byId = new Map(operations.map((op) => [op.id, op]));
  let best: number | null = null;
  for (let mask = 0; mask < 1 << operations.length; mask += 1) {
    const subset = operations.filter((_, at) => mask & (1 << at));
    if (!targets.every((part) => subset.some(({ frees }) => frees.includes(part)))) continue;
    const done = new Set<string>();
    for (let grew = true; grew;) {
      grew = false;
      for (const op of subset)
        if (!done.has(op.id) && isReady(op, done, byId)) {
          done.add(op.id);
          grew = true;
        }
    }
    if (done.size < subset.length) continue;
    const cost = subset.reduce((sum, op) => sum + minutes(op), 0);
    if (best === null || cost < best) best = cost;
  }
  return best;
}

/** Small graphs with AND and OR arcs, circles included. */
const graphs = fc.integer({ min: 1, max: 9 }).chain((count) => {
  const id = fc.integer({ min: 0, max: count - 1 }).map((at) => `o${at}`);
  return fc.tuple(
    ...Array.from({ length: count }, (_, at) =>
      fc
        .record({
          arcs: fc.array(fc.uniqueArray(id, { minLength: 1, maxLength: 3 }), { maxLength: 2 }),
          likely: fc.integer({ min: 0, max: 9 }),
          frees: fc.option(fc.constantFrom('p', 'q', 'r'), { freq: 2 }),
        })
        .map(({ arcs, likely, frees }) =>
          operation(`o${at}`, {
            after: arcs.map((any) => after(...any)),
            minutes: { low: likely, likely, high: likely },
            frees: frees === null ? [] : [frees],
          }),
        ),
    ),
  );
});

describe('chooseOperations', () => {
  test('costs as little as the best of all subsets', () => {
    fc.assert(
      fc.property(
        graphs,
        fc.uniqueArray(fc.constantFrom('p', 'q', 'r'), { minLength: 1, maxLength: 2 }),
        (operations, targets) => {
          const chosen = chooseOperations(operations, targets, minutes);
          expect(chosen.ok ? chosen.value.cost : null).toBe(bruteForce(operations, targets));
        },
      ),
      { numRuns: 300, seed: 2026 },
    );
  });

  test('takes the cheaper of two routes, and the other one when that is in the plan anyway', () => {
    const cheap = operation('cheap', { minutes: { low: 1, likely: 2, high: 3 } });
    const dear = operation('dear', { minutes: { low: 1, likely: 5, high: 9 }, frees: ['extra'] });
    const goal = operation('goal', { after: [after('cheap', 'dear')], frees: ['wanted'] });
    expect(ids([cheap, dear, goal], ['wanted'])).toEqual(['cheap', 'goal']);
    expect(ids([cheap, dear, goal], ['wanted', 'extra'])).toEqual(['dear', 'goal']);
  });

  test('an alternative that this unit does not have is out of the way', () => {
    const goal = operation('goal', { after: [after('only-on-revision-b')], frees: ['wanted'] });
    expect(ids([goal], ['wanted'])).toEqual(['goal']);
  });

  test('says what cannot be reached', () => {
    expect(chooseOperations([operation('a')], ['moon'], minutes)).toEqual({
      ok: false,
      refusal: { reason: 'targets-unreachable', values: { part: 'moon' } },
    });
  });

  test('two operations that only justify each other are no way in', () => {
    const a = operation('a', { after: [after('b')], frees: ['wanted'] });
    const b = operation('b', { after: [after('a')] });
    expect(ids([a, b], ['wanted'])).toBe('targets-unreachable');
  });

  test('no targets, no work', () => {
    expect(ids([operation('a')], [])).toEqual([]);
  });
});
