import { say as inWords } from '@/words/catalogue/core/yields';
import { harvestYields } from './harvestYield';
import { pareto } from './pareto';
import { sayChange } from './sayYields';

const count = (partRef: string, good: number, sought: number) => ({ modelId: 'm', partRef, good, sought });

describe('harvestYields', () => {
  test('says the range in words a bench understands, the most sought first', () => {
    const [first, second] = harvestYields([count('a', 1, 2), count('b', 9, 12)]);
    expect([first?.partRef, first && inWords(first.says)]).toEqual(['b', '9 of 12 good; expect 52 to 90 %']);
    expect(second?.partRef).toBe('a');
  });
});

describe('what is shown', () => {
  test('a part that was sought once is drawn towards all; one that was sought often stands by itself', () => {
    const all = Array.from({ length: 12 }, (_, at) => count(`part-${at}`, 40, 50));
    const yields = harvestYields([...all, count('once', 0, 1), count('often', 60, 300)]);
    const of = (part: string) => yields.find(({ partRef }) => partRef === part);
    expect(of('once')?.interval.estimate).toBeGreaterThan(0.4);
    expect(of('once')?.isBelow).toBe(false);
    expect(of('often')?.interval.estimate).toBeCloseTo(0.2, 1);
    expect(of('often')?.isBelow).toBe(true);
  });
});

describe('pareto', () => {
  test('orders and sums up', () => {
    expect(
      pareto([
        { item: 'x', count: 1 },
        { item: 'y', count: 3 },
      ]),
    ).toEqual([
      { item: 'y', count: 3, cumulativeShare: 0.75 },
      { item: 'x', count: 1, cumulativeShare: 1 },
    ]);
    expect(pareto([])).toEqual([]);
    expect(pareto([{ item: 'x', count: 0 }])).toEqual([{ item: 'x', count: 0, cumulativeShare: 0 }]);
  });

  test('a negative count cannot be', () => {
    expect(() => pareto([{ item: 'x', count: -1 }])).toThrow(RangeError);
  });
});

describe('sayChange', () => {
  const say = (...counts: ReturnType<typeof count>[]) =>
    inWords(sayChange(harvestYields(counts).map((entry) => ({ ...entry, name: entry.partRef }))));

  test('names the part that is clearly worse, and none when the counts are too few to tell', () => {
    expect(say(count('back', 4, 30), count('board', 90, 100))).toBe(
      'back: 4 of 30 come out good; all parts together 72\u00a0%',
    );
    expect(say(count('back', 1, 3), count('board', 3, 3))).toContain('none is clearly worse');
    expect(say()).toBe('No part has been harvested yet');
  });
});
