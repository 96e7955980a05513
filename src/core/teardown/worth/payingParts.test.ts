import fc from 'fast-check';
import { after, operation, phone } from '../../../../tests/support/models';
import { operationsFor } from '@/core/procedure/situation';
import { expectedMinutes } from '../attendedMinutes';
import { breakEvens, payingParts, type Prize } from './payingParts';
import type { Operation } from '@/core/procedure/operations';
import { takeable } from '../choice/closureProblem';

const cost = ({ minutes }: Operation) => minutes.likely;
const among = (operations: readonly Operation[]) => ({ operations, cost, isAllowed: () => true });

/** The best of all sets of operations that can be done, by what they free less what they cost. */
function bruteForce(operations: readonly Operation[], prizes: readonly Prize[]): number {
  const numbers = new Map(operations.map(({ id }, index) => [id, index]));
  const clauses = operations.map((op) => op.after.map(({ any }) => any.map((id) => numbers.get(id) as number)));
  let best = 0;
  for (let mask = 0; mask < 1 << operations.length; mask += 1) {
    const has = (index: number) => (mask & (1 << index)) !== 0;
    const chosen = operations.filter((_, index) => has(index));
    if (takeable(operations.length, clauses, has).length < chosen.length) continue;
    const freed = (part: string | undefined) => chosen.some(({ frees }) => part !== undefined && frees.includes(part));
    const worth = prizes
      .filter(({ part, boundTo }) => freed(part) && (boundTo === undefined || freed(boundTo)))
      .reduce((sum, { soundCents, chance }) => sum + soundCents * chance, 0);
    best = Math.max(best, worth - chosen.reduce((sum, op) => sum + cost(op), 0));
  }
  return best;
}

const parts = ['p', 'q', 'r', 's'];
const cases = fc.integer({ min: 1, max: 8 }).chain((count) => {
  const id = fc.integer({ min: 0, max: count - 1 }).map((at) => `o${at}`);
  const operations = fc.tuple(
    ...Array.from({ length: count }, (_, at) =>
      fc
        .record({
          arcs: fc.array(fc.uniqueArray(id, { minLength: 1, maxLength: 3 }), { maxLength: 2 }),
          likely: fc.integer({ min: 0, max: 9 }),
          frees: fc.option(fc.constantFrom(...parts), { freq: 3 }),
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
  const prizes = fc
    .tuple(
      ...parts.map((part) =>
        fc.record({
          part: fc.constant(part),
          soundCents: fc.integer({ min: 0, max: 20 }),
          chance: fc.constantFrom(1, 0.5, 0.25),
        }),
      ),
    )
    .chain((list) =>
      fc.boolean().map((isBound): readonly Prize[] =>
        // Bound both ways, as the checker asks of a model.
        isBound ? list.map((prize, at) => (at < 2 ? { ...prize, boundTo: at === 0 ? 'q' : 'p' } : prize)) : list,
      ),
    );
  return fc.record({ operations, prizes });
});

describe('payingParts', () => {
  test('brings as much as the best of all sets, bound parts only together', () => {
    fc.assert(
      fc.property(cases, ({ operations, prizes }) => {
        const paying = payingParts(among(operations), prizes);
        expect(paying.netCents).toBeCloseTo(bruteForce(operations, prizes), 6);
        expect(paying.isProven).toBe(true);
      }),
      { numRuns: 400, seed: 2026 },
    );
  });

  test('across a break-even the plan changes at that very cent', () => {
    let crossed = 0;
    fc.assert(
      fc.property(cases, ({ operations, prizes }) => {
        for (const { part, payFromCents } of breakEvens(among(operations), prizes)) {
          if (payFromCents === null || payFromCents === 0) continue;
          const at = (soundCents: number) =>
            payingParts(
              among(operations),
              prizes.map((prize) => (prize.part === part ? { ...prize, soundCents } : prize)),
            ).netCents;
          const flat = at(0);
          // Up to a cent below, the part's worth changes nothing; from there on every cent shows.
          expect(at(payFromCents - 1)).toBeCloseTo(flat, 6);
          expect(at(payFromCents + 4)).toBeGreaterThan(flat);
          crossed += 1;
        }
      }),
      { numRuns: 150, seed: 11 },
    );
    expect(crossed).toBeGreaterThan(100);
  });

  test('a real model: a cent below its break-even the camera stays in, at it the camera comes out', () => {
    const ground = {
      operations: operationsFor(phone, {
        revision: 'a',
        configuration: phone.configurations[0]?.id ?? null,
        findings: [],
      }),
      cost: (op: Operation) => expectedMinutes(op, []) * 55,
      isAllowed: ({ destroys }: Operation) => !destroys,
    };
    const prizes = (cameraCents: number): readonly Prize[] => [
      { part: 'camera', soundCents: cameraCents, chance: 0.8 },
      { part: 'motor', soundCents: 20, chance: 0.9 },
    ];
    const camera = breakEvens(ground, prizes(0))[0]?.payFromCents as number;
    expect(camera).toBeGreaterThan(0);
    expect(payingParts(ground, prizes(camera - 1)).parts).not.toContain('camera');
    expect(payingParts(ground, prizes(camera)).parts).toContain('camera');
  });

  test('what nothing frees never pays, and a part without a chance neither', () => {
    const goal = operation('goal', { frees: ['p'], minutes: { low: 1, likely: 1, high: 1 } });
    const lost: Prize = { part: 'moon', soundCents: 100, chance: 1 };
    const dead: Prize = { part: 'p', soundCents: 100, chance: 0 };
    expect(breakEvens(among([goal]), [lost, dead]).map(({ payFromCents }) => payFromCents)).toEqual([null, null]);
    expect(payingParts(among([goal]), [dead]).operations).toEqual([]);
  });
});
