import fc from 'fast-check';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import { likelierBy, sampleLooks, type LookOdds } from './looks';

const open: readonly DeviceTest[] = ['starts', 'picture', 'sound', 'keys'];
const looked: readonly Finding[] = ['crack', 'liquid'];
const oddsOf = (made: number, sound: number, found: number): LookOdds => ({
  madeOf: () => made,
  soundOf: () => sound,
  foundOf: () => found,
});
const share = fc.integer({ min: 5, max: 95 }).map((hundredths) => hundredths / 100);

describe('sampleLooks', () => {
  test('of each test and each finding there are as many of each outcome as the odds say, to one', () => {
    fc.assert(
      fc.property(
        share,
        share,
        share,
        fc.integer({ min: 1, max: 60 }),
        fc.integer(),
        (made, sound, found, count, seed) => {
          const looks = sampleLooks(open, looked, oddsOf(made, sound, found), count, new Chance(seed));
          expect(looks).toHaveLength(count);
          for (const test of open) {
            const of = (result?: string) => looks.filter(({ tests }) => tests[test] === result).length;
            expect(Math.abs(of('sound') - made * sound * count)).toBeLessThanOrEqual(1);
            expect(Math.abs(of(undefined) - (1 - made) * count)).toBeLessThanOrEqual(1);
            expect(of('sound') + of('fault') + of(undefined)).toBe(count);
          }
          for (const finding of looked) {
            const hit = looks.filter((look) => look.found.includes(finding)).length;
            expect(Math.abs(hit - found * count)).toBeLessThanOrEqual(1);
          }
        },
      ),
      { numRuns: 200, seed: 4 },
    );
  });

  test('outcomes of one thing do not go with those of another', () => {
    const looks = sampleLooks(open, [], oddsOf(1, 0.5, 0), 4000, new Chance(8));
    const both = looks.filter(({ tests }) => tests.starts === 'sound' && tests.picture === 'sound').length;
    // A quarter, within four standard errors.
    expect(Math.abs(both / 4000 - 0.25)).toBeLessThan(4 * Math.sqrt(0.1875 / 4000));
  });

  test('weighed by other odds they give what those odds give', () => {
    const [own, other] = [oddsOf(0.8, 0.8, 0.2), oddsOf(0.7, 0.85, 0.15)];
    const looks = sampleLooks(open, looked, own, 20_000, new Chance(5));
    const weights = looks.map((look) => likelierBy(open, looked, look, other, own));
    const sum = weights.reduce((all, weight) => all + weight, 0);
    expect(sum / looks.length).toBeCloseTo(1, 1);
    const whole = looks.reduce(
      (all, { tests, found }, at) =>
        all + (open.every((test) => tests[test] === 'sound') && found.length === 0 ? (weights[at] as number) : 0),
      0,
    );
    expect(Math.abs(whole / sum - (0.7 * 0.85) ** 4 * 0.85 ** 2)).toBeLessThan(0.01);
  });
});
