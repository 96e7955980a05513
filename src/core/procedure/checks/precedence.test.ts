import fc from 'fast-check';
import { after, operation } from '../../../../tests/support/models';
import type { Operation } from '../operations';
import { isReady } from '../situation';
import { crosses } from './harm';
import { precedenceOf } from './precedence';

/** Every order in which a set of operations can begin, as sets done before each operation, by trying them all. */
function doneBefore(operations: readonly Operation[], target: string): Set<string>[] {
  const byId = new Map(operations.map((entry) => [entry.id, entry]));
  const found: Set<string>[] = [];
  const seen = new Set<string>();
  const visit = (done: Set<string>): void => {
    const key = [...done].sort().join();
    if (seen.has(key)) return;
    seen.add(key);
    for (const entry of operations) {
      if (done.has(entry.id) || !isReady(entry, done, byId)) continue;
      if (entry.id === target) found.push(done);
      else visit(new Set(done).add(entry.id));
    }
  };
  visit(new Set());
  return found;
}

const graphs = fc
  .integer({ min: 2, max: 6 })
  .chain((count) =>
    fc.tuple(
      ...Array.from({ length: count }, (_, at) =>
        fc
          .array(fc.uniqueArray(fc.nat(count - 1), { minLength: 1, maxLength: 2 }), { maxLength: 2 })
          .map((clauses) =>
            operation(`o${at}`, { after: clauses.map((any) => after(...any.map((other) => `o${other}`))) }),
          ),
      ),
    ),
  );

describe('precedence over all legal orders', () => {
  test('agrees with trying every order', () => {
    fc.assert(
      fc.property(
        graphs,
        fc.nat(5),
        fc.uniqueArray(fc.nat(5), { minLength: 1, maxLength: 2 }),
        (operations, target, some) => {
          const id = `o${target}`;
          const wanted = some
            .map((other) => `o${other}`)
            .filter((other) => operations.some((entry) => entry.id === other));
          if (!operations.some((entry) => entry.id === id) || wanted.length === 0 || wanted.includes(id)) return;
          const orders = doneBefore(operations, id);
          const isSure = orders.every((done) => wanted.some((other) => done.has(other)));
          expect(precedenceOf(operations).isSurelyAfter(id, wanted)).toBe(isSure);
        },
      ),
      { seed: 21, numRuns: 400 },
    );
  });

  test('members of a circle are named, those behind it are not', () => {
    const { inCircles } = precedenceOf([
      operation('a', { after: [after('b')] }),
      operation('b', { after: [after('a')] }),
      operation('c', { after: [after('a')] }),
      operation('d', { after: [after('a', 'e')] }),
      operation('e'),
    ]);
    expect(inCircles).toEqual(['a', 'b']);
  });
});

describe('a segment and a zone', () => {
  const zone = { label: 'z', xMm: 10, yMm: 10, widthMm: 10, heightMm: 10 };
  const line = (xMm: number, yMm: number, toXMm: number, toYMm: number) => crosses({ xMm, yMm, toXMm, toYMm }, zone);

  test('run through it, end in it, or pass by', () => {
    expect([line(0, 15, 30, 15), line(15, 15, 16, 16), line(0, 0, 30, 30)]).toEqual([true, true, true]);
    expect([line(0, 10, 30, 10), line(0, 0, 9, 30), line(0, 25, 25, 45)]).toEqual([false, false, false]);
  });

  test('agrees with sampling points along it', () => {
    const place = fc.integer({ min: 0, max: 30 });
    fc.assert(
      fc.property(place, place, place, place, (x, y, toX, toY) => {
        const inside = Array.from({ length: 999 }, (_, at) => (at + 1) / 1000).some((part) => {
          const [px, py] = [x + (toX - x) * part, y + (toY - y) * part];
          return px > 10.05 && px < 19.95 && py > 10.05 && py < 19.95;
        });
        if (inside) expect(line(x, y, toX, toY)).toBe(true);
        if (!line(x, y, toX, toY)) expect(inside).toBe(false);
      }),
      { seed: 9 },
    );
  });
});
