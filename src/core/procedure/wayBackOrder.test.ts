import fc from 'fast-check';
import { back, operation } from '../../../tests/support/models';
import { wayBackOrder } from './wayBackOrder';

const step = (id: string, ...after: string[]) =>
  operation(id, {
    back: back(after.length > 0 ? { after: after.map((other) => ({ operation: other, because: 'x' })) } : {}),
  });
const ids = (...operations: ReturnType<typeof operation>[]) => wayBackOrder(operations).order.map(({ id }) => id);

describe('wayBackOrder', () => {
  test('is the reverse, without what has no way back', () => {
    expect(ids(step('a'), operation('warm'), step('b'), step('c'))).toEqual(['c', 'b', 'a']);
  });

  test('what asks for another before it moves behind that one, and no further', () => {
    expect(ids(step('a'), step('b'), step('c', 'a'), step('d'))).toEqual(['d', 'b', 'a', 'c']);
  });

  test('what is not on this sheet is not waited for', () => {
    expect(ids(step('a'), step('b', 'elsewhere'))).toEqual(['b', 'a']);
  });

  test('a circle is named, and the plain reverse is what remains', () => {
    const { order, circle } = wayBackOrder([step('a', 'b'), step('b', 'a'), step('c')]);
    expect(circle?.id).toBe('b');
    expect(order.map(({ id }) => id)).toEqual(['c', 'b', 'a']);
  });

  test('every condition holds, and nothing is lost, whatever is asked without a circle', () => {
    const wanted = fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { maxLength: 10 });
    fc.assert(
      fc.property(wanted, (pairs) => {
        // Only “the one that came out earlier goes in earlier”: no circle can come of it.
        const asks = pairs.map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const).filter(([a, b]) => a !== b);
        const operations = Array.from({ length: 8 }, (_, at) =>
          step(`o${at}`, ...asks.filter(([, late]) => late === at).map(([early]) => `o${early}`)),
        );
        const { order, circle } = wayBackOrder(operations);
        const places = new Map(order.map(({ id }, place) => [id, place]));
        expect(circle).toBeNull();
        expect(places.size).toBe(8);
        for (const [early, late] of asks)
          expect(places.get(`o${early}`)).toBeLessThan(places.get(`o${late}`) as number);
      }),
      { seed: 6 },
    );
  });
});
