import { inManyParcels } from '../../../tests/support/manyParcels';
import { Chance } from '@/core/shared/chance';
import { clearlyBelow } from '@/core/statistics/clearlyBelow';
import { drawBeta } from '@/core/statistics/drawBeta';
import { say as inWords } from '@/words/catalogue/core/yields';
import { harvestYields } from './harvestYield';
import { pareto } from './pareto';
import { sayChange } from './sayYields';

const count = (partRef: string, good: number, sought: number, parcelId = 'a') => ({
  modelId: 'm',
  partRef,
  parcelId,
  good,
  sought,
});

describe('harvestYields', () => {
  test('says the range in words a bench understands, the most sought first', () => {
    const [first, second] = harvestYields([count('a', 1, 2), count('b', 9, 12)]);
    expect([first?.partRef, first && inWords(first.says)]).toEqual(['b', '9 of 12 good; expect 48 to 91 %']);
    expect(second?.partRef).toBe('a');
  });
});

describe('what is shown', () => {
  test('a part that was sought once is drawn towards all; one that was sought often stands by itself', () => {
    const all = Array.from({ length: 12 }, (_, at) => count(`part-${at}`, 40, 50));
    const yields = harvestYields(inManyParcels([...all, count('once', 0, 1), count('often', 60, 300)]));
    const of = (part: string) => yields.find(({ partRef }) => partRef === part);
    expect(of('once')?.interval.estimate).toBeGreaterThan(0.4);
    expect(of('once')?.isBelow).toBe(false);
    expect(of('often')?.interval.estimate).toBeCloseTo(0.2, 1);
    expect(of('often')?.isBelow).toBe(true);
  });

  test('of forty parts that are alike in parcels that are not, one is named in one shop of twenty at most', () => {
    const chance = new Chance(2027);
    const shops = 300;
    let [named, naive] = [0, 0];
    for (let shop = 0; shop < shops; shop += 1) {
      const counts = Array.from({ length: 40 }, (_, at) =>
        ['a', 'b', 'c', 'd', 'e'].map((parcelId) => {
          const share = drawBeta(0.75 * 6, 0.25 * 6, chance);
          const good = Array.from({ length: 12 }, () => chance.happens(share)).filter(Boolean).length;
          return count(`part-${at}`, good, 12, parcelId);
        }),
      );
      named += Number(harvestYields(counts.flat()).some(({ isBelow }) => isBelow));
      const whole = counts.map((own) => own.reduce((sum, { good }) => sum + good, 0));
      naive += Number(clearlyBelow(whole.map((good) => ({ good, sought: 60 }))).some(Boolean));
    }
    // Three standard errors; counted as if parcels were alike, most shops would be told of one.
    expect(named / shops).toBeLessThan(0.05 + 3 * Math.sqrt((0.05 * 0.95) / shops));
    expect(naive / shops).toBeGreaterThan(0.2);
  });

  test('much worse in each of many parcels is found', () => {
    const parcels = ['a', 'b', 'c', 'd', 'e', 'f'];
    const counts = parcels.flatMap((parcelId, at) => [
      count('bad', 2 + (at % 3), 12, parcelId),
      ...Array.from({ length: 10 }, (_, part) => count(`part-${part}`, 9 + ((at + part) % 3), 12, parcelId)),
    ]);
    const yields = harvestYields(counts);
    expect(yields.filter(({ isBelow }) => isBelow).map(({ partRef, good, sought }) => [partRef, good, sought])).toEqual(
      [['bad', 18, 72]],
    );
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
    inWords(sayChange(harvestYields(inManyParcels(counts)).map((entry) => ({ ...entry, name: entry.partRef }))));

  test('names the part that is clearly worse, and none when the counts are too few to tell', () => {
    expect(say(count('back', 4, 30), count('board', 90, 100))).toBe(
      'back: 4 of 30 come out good; all parts together 72\u00a0%',
    );
    expect(say(count('back', 1, 3), count('board', 3, 3))).toContain('none is clearly worse');
    expect(say()).toBe('No part has been harvested yet');
  });
});
