import { Chance } from '@/core/shared/chance';
import { effectiveTrials } from '@/core/statistics/strayWeight';
import { drawBeta } from '@/core/statistics/drawBeta';
import { inManyParcels } from '../../../tests/support/manyParcels';
import { knownParts, knownTests, unknownTest, unseenYield } from './knownYields';

const seek = (share: number, sought: number, chance: Chance) =>
  Array.from({ length: sought }, () => chance.happens(share)).filter(Boolean).length;

describe('knownYields', () => {
  test('before anything was sought: hopeful, and wide', () => {
    expect(unseenYield.share).toBe(0.75);
    expect(knownParts([], []).unseen).toEqual(unseenYield);
    expect(unseenYield.high - unseenYield.low).toBeGreaterThan(0.5);
    expect(unknownTest.share).toBeCloseTo(0.85, 9);
  });

  test('parts that were sought a few times are expected to give, together, what they give: over many shops', () => {
    const chance = new Chance(12);
    let [said, truth, inside, all] = [0, 0, 0, 0];
    for (let shop = 0; shop < 150; shop += 1) {
      const shares = Array.from({ length: 20 }, () => drawBeta(6, 1.6, chance));
      const counts = shares.map((share, at) => {
        const sought = 1 + Math.floor(chance.next() * 5);
        return { modelId: 'm', partRef: `p${at}`, sought, good: seek(share, sought, chance) };
      });
      const known = knownParts(inManyParcels(counts), []).yields.m ?? {};
      shares.forEach((share, at) => {
        const own = known[`p${at}`];
        if (!own) throw new Error('a part was lost');
        said += own.share;
        truth += share;
        inside += Number(share >= own.low && share <= own.high);
        all += 1;
      });
    }
    // One trial of nothing known, as it was once taken, said a tenth too little here.
    expect(said / truth).toBeGreaterThan(0.98);
    expect(said / truth).toBeLessThan(1.02);
    // Four standard errors about the 80 % that are said, and one hundredth for weights that are guessed.
    expect(inside / all).toBeGreaterThan(0.76);
    expect(inside / all).toBeLessThan(0.86);
  });

  test('much evidence of one part stands against all others', () => {
    const counts = [
      { modelId: 'm', partRef: 'bad', good: 20, sought: 200 },
      ...Array.from({ length: 10 }, (_, at) => ({ modelId: 'm', partRef: `p${at}`, good: 190, sought: 200 })),
    ];
    const { yields, unseen } = knownParts(inManyParcels(counts), []);
    expect(yields.m?.bad?.share).toBeLessThan(0.13);
    expect(unseen.share).toBeGreaterThan(0.8);
    expect(unseen.low).toBeLessThan(0.75);
  });

  test('tests likewise: twelve units say nothing of ten tests that would not be likely', () => {
    const chance = new Chance(3);
    let [said, truth] = [0, 0];
    for (let shop = 0; shop < 200; shop += 1) {
      const tests = (['starts', 'picture', 'sound', 'keys', 'radios', 'touch'] as const).map((test) => {
        const share = drawBeta(8.5, 1.5, chance);
        return { test, share, sought: 12, good: seek(share, 12, chance) };
      });
      const known = knownTests(inManyParcels(tests), Infinity);
      for (const { test, share } of tests) {
        said += known[test]?.share ?? 0;
        truth += share;
      }
    }
    expect(said / truth).toBeGreaterThan(0.985);
    expect(said / truth).toBeLessThan(1.015);
  });

  test('where parcels differ, what is said of the shop holds as often as where they are alike', () => {
    const chance = new Chance(41);
    const names = ['starts', 'picture', 'sound', 'keys', 'radios', 'touch'] as const;
    const parcels = ['a', 'b', 'c', 'd', 'e', 'f'];
    let [inside, naive, all] = [0, 0, 0];
    for (let shop = 0; shop < 150; shop += 1) {
      const truth = names.map(() => drawBeta(8.5, 1.5, chance));
      const tests = names.flatMap((test, at) =>
        parcels.map((parcelId) => {
          const share = truth[at] as number;
          const own = drawBeta(8 * share, 8 * (1 - share), chance);
          return { test, parcelId, sought: 15, good: seek(own, 15, chance) };
        }),
      );
      const [known, unaware] = [knownTests(tests, 8), knownTests(tests, Infinity)];
      truth.forEach((share, at) => {
        const holds = (own = known[names[at] as 'starts']) => Number(own && share >= own.low && share <= own.high);
        inside += holds();
        naive += holds(unaware[names[at] as 'starts']);
        all += 1;
      });
    }
    // 80 % are said: four standard errors, and three hundredths for a trial count that stands for a spread.
    expect(inside / all).toBeGreaterThan(0.72);
    expect(inside / all).toBeLessThan(0.88);
    expect(naive / all).toBeLessThan(inside / all - 0.1);
  });

  test('of a finding, the others are counted parcel by parcel; a parcel of which all have it says nothing of them', () => {
    const of = { modelId: 'm', partRef: 'cover' };
    const outcomes = [
      { ...of, parcelId: 'a', good: 0, sought: 10 },
      { ...of, parcelId: 'b', good: 9, sought: 10 },
    ];
    const given = [{ ...of, parcelId: 'a', good: 0, sought: 10, finding: 'crack' as const }];
    const { yieldsGiven, alike } = knownParts(outcomes, given);
    const worth = effectiveTrials(10, alike);
    const prior = (0.9 * worth + 1.5) / (worth + 2);
    const own = yieldsGiven.m?.crack?.cover;
    // The weight of the others is what is left of what it is worth; the share lies between nothing and theirs.
    const weight = (own?.weight ?? 0) - worth;
    expect(own?.share).toBeCloseTo((weight * prior) / (weight + worth), 9);
  });
});
