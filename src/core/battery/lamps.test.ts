import fc from 'fast-check';
import { readLamps } from './lamps';

test('lamps say a share and how far it may be off: every health that lights so many lies within', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 10 }), fc.double({ min: 0.001, max: 100, noNaN: true }), (of, health) => {
      // A lamp lights as soon as its step is begun.
      const lit = Math.min(of, Math.ceil((health / 100) * of));
      const read = readLamps(lit, of);
      if (!read.ok) throw new Error(read.refusal.reason);
      const { share, plusMinus } = read.value;
      expect(Math.abs(share - health)).toBeLessThanOrEqual(plusMinus + 0.011);
    }),
  );
  expect(readLamps(4, 5)).toEqual({ ok: true, value: { share: 70, plusMinus: 10 } });
});

test('what no row of lamps can show is refused', () => {
  for (const [lit, of] of [
    [0, 5],
    [6, 5],
    [1.5, 5],
    [1, 1],
    [1, 40],
    [Number.NaN, 5],
  ] as const)
    expect(readLamps(lit, of)).toMatchObject({ refusal: { reason: 'lamps' } });
});
