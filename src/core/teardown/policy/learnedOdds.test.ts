import { phone } from '../../../../tests/support/models';
import type { Operation } from '@/core/procedure/operations';
import { startingHouseRules } from '@/core/shared/houseRules';
import { startingOdds } from './ladderPolicy';
import { learnedOdds, oddsToTry, type ResistanceCount } from './learnedOdds';
import { policyOf } from './policyOf';

const strip = phone.operations.find(({ id }) => id === 'strip') as Operation;
const count = (rung: number, hasYielded: boolean, times: number, operationId = 'strip'): ResistanceCount => ({
  operationId,
  rung,
  hasYielded,
  count: times,
});

describe('learnedOdds', () => {
  test('are what is assumed while the log is silent', () => {
    expect(learnedOdds(phone, [], strip)).toEqual(startingOdds);
    expect(learnedOdds(phone, [count(0, true, 50, 'plate')], strip)).toEqual(startingOdds);
  });

  test('go where the log points, the further the more it has seen', () => {
    const usual = (times: number) => learnedOdds(phone, [count(1, true, times)], strip).usual;
    expect(usual(4)).toBeLessThan(startingOdds.usual);
    expect(usual(40)).toBeLessThan(usual(4));
    expect(usual(4000)).toBeCloseTo(0, 1);
    expect(learnedOdds(phone, [count(0, true, 4000)], strip).usual).toBeCloseTo(1, 2);
  });

  test('a rung that was begun and left counts against the rungs', () => {
    const seen = [count(1, true, 300), count(2, true, 300), count(2, false, 400)];
    // 300 on the first, then 700 twice: 1700 tries, of which 600 ended it.
    expect(learnedOdds(phone, seen, strip).rung).toBeCloseTo(600 / 1700, 2);
  });

  test('each trial counts once: with no other joint of its kind, half of eight good ones among eight assumed', () => {
    const seen = [count(0, true, 4), count(0, false, 4)];
    expect(learnedOdds(phone, seen, strip).usual).toBeCloseTo((8 * startingOdds.usual + 4) / 16, 12);
  });

  test('a rung that was written off is begun again now and then, and goes on where it turns out better', () => {
    // Three bad trials, and the joint given up on the usual way ever since.
    const bad = [count(1, false, 60)];
    const begins = (givenUp: number) => {
      const odds = oddsToTry(phone, [...bad, count(0, false, givenUp)], strip);
      return policyOf(
        strip,
        { findings: [], odds, behindCents: 700 },
        { labourCentsPerMinute: 55, handOverMinutes: null },
      );
    };
    const rungsAt = (givenUp: number) => oddsToTry(phone, [...bad, count(0, false, givenUp)], strip).rung;
    expect(rungsAt(8)).toBeGreaterThan(rungsAt(7));
    expect(rungsAt(9)).toBe(rungsAt(7));
    expect(rungsAt(16)).toBe(rungsAt(8));
    expect(begins(8)?.stages.length).toBeGreaterThanOrEqual(begins(7)?.stages.length ?? 0);
  });

  test('worse odds make the policy leave a joint sooner', () => {
    const policy = (odds: typeof startingOdds) =>
      policyOf(strip, { findings: [], odds, behindCents: 900 }, startingHouseRules)?.stages[0]?.leaveAt ?? 0;
    expect(policy({ ...startingOdds, usual: 0.3 })).toBeLessThan(policy(startingOdds));
    expect(
      policyOf(
        { ...strip, ladder: undefined },
        { findings: [], odds: startingOdds, behindCents: 900 },
        startingHouseRules,
      ),
    ).toBeNull();
  });
});
