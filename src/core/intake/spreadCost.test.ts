import fc from 'fast-check';
import { costRules } from '@/core/shared/costRule';
import { spreadCost } from './spreadCost';

const item = (expectedCents: number | null, listCents: number | null = null) => ({ expectedCents, listCents });

describe('spreadCost', () => {
  test('by any rule the shares are whole and sum to what was paid', () => {
    const items = fc.array(
      fc.record({
        expectedCents: fc.option(fc.integer({ min: -5000, max: 50_000 })),
        listCents: fc.option(fc.integer({ min: 0, max: 50_000 })),
      }),
      { minLength: 1, maxLength: 40 },
    );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1_000_000 }), items, fc.constantFrom(...costRules), (paid, given, rule) => {
        const cents = spreadCost(paid, given, rule);
        expect(cents.reduce((sum, share) => sum + share, 0)).toBe(paid);
        expect(cents.every((share) => Number.isInteger(share) && share >= 0)).toBe(true);
      }),
      { seed: 2026 },
    );
  });

  test('each rule does what it says', () => {
    const items = [item(3000, 10_000), item(1000, 10_000), item(null, 20_000)];
    expect(spreadCost(1000, items, 'even')).toEqual([334, 333, 333]);
    expect(spreadCost(600, items, 'by-value')).toEqual([300, 100, 200]);
    expect(spreadCost(400, items, 'by-model')).toEqual([100, 100, 200]);
    expect(spreadCost(100, [item(-500), item(500)], 'by-value')).toEqual([0, 100]);
  });

  test('nothing known is even; nobody there is nothing', () => {
    expect(spreadCost(101, [item(null), item(null)], 'by-value')).toEqual([51, 50]);
    expect(spreadCost(100, [item(-5), item(0)], 'by-value')).toEqual([50, 50]);
    expect(spreadCost(100, [], 'even')).toEqual([]);
    expect(() => spreadCost(1.5, [item(1)], 'even')).toThrow(RangeError);
  });
});
