import { Chance } from '@/core/shared/chance';
import { drawBeta } from '@/core/statistics/drawBeta';
import { knownTests, knownUnseen, knownYields, unknownTest, unseenYield } from './knownYields';

const seek = (share: number, sought: number, chance: Chance) =>
  Array.from({ length: sought }, () => chance.happens(share)).filter(Boolean).length;

describe('knownYields', () => {
  test('before anything was sought: hopeful, and wide', () => {
    expect(unseenYield.share).toBe(0.75);
    expect(knownUnseen([])).toEqual(unseenYield);
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
      const known = knownYields(counts).m ?? {};
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
    expect(knownYields(counts).m?.bad?.share).toBeLessThan(0.13);
    const unseen = knownUnseen(counts);
    expect(unseen.share).toBeGreaterThan(0.8);
    expect(unseen.low).toBeLessThan(0.75);
  });

  test('tests likewise: twelve units say nothing of ten tests that would not be likely', () => {
    const chance = new Chance(3);
    let [said, truth] = [0, 0];
    for (let shop = 0; shop < 200; shop += 1) {
      const tests = (['starts', 'picture', 'sound', 'keys', 'radios', 'touch'] as const).map((test) => {
        const share = drawBeta(8.5, 1.5, chance);
        return { test, share, noted: 12, sound: seek(share, 12, chance) };
      });
      const known = knownTests(tests);
      for (const { test, share } of tests) {
        said += known[test]?.share ?? 0;
        truth += share;
      }
    }
    expect(said / truth).toBeGreaterThan(0.985);
    expect(said / truth).toBeLessThan(1.015);
  });
});
