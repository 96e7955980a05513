import fc from 'fast-check';
import { bestReadings } from '../../../tests/support/bestReadings';
import { Chance } from '@/core/shared/chance';
import { grades, gradeRank, type Grade } from '@/core/shared/grades';
import { startingGradingRules as rules } from '@/core/shared/gradingRules';
import { agreementOf } from './agreement';
import { disputesOf, type TwoLooks } from './disputes';
import { kappa, type GradePair } from './kappa';
import { rankSecondLooks, type Candidate } from './secondLooks';

const times = (count: number, first: Grade, second: Grade): GradePair[] =>
  Array.from({ length: count }, () => ({ first, second }));

describe('kappa', () => {
  test('a table by hand: 20 and 15 agree of 50, 5 and 10 do not', () => {
    // po = 0.7, pe = 0.5 · 0.6 + 0.5 · 0.4 = 0.5, κ = 0.4
    const pairs = [...times(20, 'A', 'A'), ...times(5, 'A', 'B'), ...times(10, 'B', 'A'), ...times(15, 'B', 'B')];
    const { value, agreed, low, high } = kappa(pairs, 'plain');
    expect([value, agreed]).toEqual([expect.closeTo(0.4, 12), 0.7]);
    // Known from the formula for large samples: a standard error of about 0.13.
    expect(low).toBeGreaterThan(0.1);
    expect(low).toBeLessThan(0.2);
    expect(high).toBeGreaterThan(0.6);
    expect(high).toBeLessThan(0.7);
  });

  test('weighted: a grade off costs less than three, by plain arithmetic over all cells', () => {
    const grade = fc.constantFrom(...grades);
    fc.assert(
      fc.property(fc.array(fc.record({ first: grade, second: grade }), { minLength: 4, maxLength: 60 }), (pairs) => {
        const weight = (a: Grade, b: Grade) => 1 - Math.abs(gradeRank(a) - gradeRank(b)) / 4;
        const n = pairs.length;
        const po = pairs.reduce((sum, { first, second }) => sum + weight(first, second), 0) / n;
        // Chance: every first with every second.
        const pe =
          pairs.reduce(
            (sum, { first }) => sum + pairs.reduce((inner, { second }) => inner + weight(first, second), 0),
            0,
          ) /
          n ** 2;
        const { value, low, high } = kappa(pairs, 'weighted');
        if (1 - pe < 1e-9) return expect(value).toBeNull();
        expect(value).toBeCloseTo((po - pe) / (1 - pe), 9);
        expect(low).toBeLessThan(high);
        expect(low).toBeLessThanOrEqual(value ?? 0);
        expect(high).toBeGreaterThanOrEqual(value ?? 0);
      }),
      { seed: 18 },
    );
  });

  test('its interval holds the truth about 95 times in 100, where people are known to agree so often', () => {
    const chance = new Chance(5);
    const draw = (): GradePair => {
      const first = chance.pick(['A', 'B', 'C'] as const);
      return { first, second: chance.happens(0.7) ? first : chance.pick(['A', 'B', 'C'] as const) };
    };
    // Agreement 0.7 + 0.3 / 3 = 0.8, chance 1/3: κ = 0.7
    let holds = 0;
    const rounds = 600;
    for (let round = 0; round < rounds; round += 1) {
      const { low, high } = kappa(
        Array.from({ length: 60 }, () => draw()),
        'plain',
      );
      if (low <= 0.7 && high >= 0.7) holds += 1 / rounds;
    }
    expect(holds).toBeGreaterThan(0.92);
    expect(holds).toBeLessThan(0.985);
  });

  test('who gives one grade only agrees by chance alone; a few pairs are never sure', () => {
    expect(kappa(times(9, 'B', 'B'), 'plain')).toMatchObject({ value: null, agreed: 1 });
    const few = kappa([...times(2, 'A', 'A'), ...times(2, 'B', 'B')], 'plain');
    expect(few.value).toBe(1);
    expect(few.low).toBeLessThan(0.9);
  });
});

const look = (one: object, other: object, by: readonly [string, string] = ['imke', 'petra']): TwoLooks => {
  const best = bestReadings({ category: 'display' });
  return {
    category: 'display',
    interchange: 'any',
    first: 'A',
    second: 'B',
    readings: [
      { ...best, ...one },
      { ...best, ...other },
    ],
    by,
  };
};

describe('disputes', () => {
  test('the attribute that parts people most comes first, with the two choices that are taken for each other', () => {
    const looks = [
      look({ glass: 'hairline' }, { glass: 'scratched' }),
      look({ glass: 'scratched' }, { glass: 'hairline' }),
      look({ glass: 'clean' }, { glass: 'hairline' }),
      look({ picture: 'even' }, { picture: 'faint' }),
      look({}, {}),
    ];
    const [first, second] = disputesOf(looks, rules);
    expect(first).toEqual({
      category: 'display',
      attribute: 'glass',
      pairs: 5,
      differ: 3,
      cure: { kind: 'wording', choices: ['hairline', 'scratched'], times: 2 },
    });
    expect(second).toMatchObject({ attribute: 'picture', differ: 1 });
  });

  test('a limit in the middle of what one cell reads is moved, no further than its instrument’s interval twice', () => {
    const battery = { ...look({}, {}), category: 'battery' as const };
    const read = (a: number, b: number): TwoLooks => ({
      ...battery,
      readings: [{ capacityShare: a }, { capacityShare: b }],
    });
    const looks = [read(87.6, 88.3), read(87.8, 88.4), read(88.2, 87.5), read(93, 93.4), read(70, 71)];
    const [dispute] = disputesOf(looks, rules);
    expect(dispute).toMatchObject({
      attribute: 'capacityShare',
      pairs: 5,
      differ: 3,
      cure: { kind: 'limit', grade: 'B' },
    });
    const cure = dispute?.cure;
    if (cure?.kind !== 'limit') throw new Error('a limit');
    expect(cure.left).toBe(0);
    expect(Math.abs(cure.to - cure.from)).toBeLessThanOrEqual(3);
    // With that limit nobody differs any more.
    const moved = {
      ...rules,
      gradingLimits: {
        ...rules.gradingLimits,
        capacityShare: { ...rules.gradingLimits.capacityShare, [cure.grade]: cure.to },
      },
    };
    expect(disputesOf(looks, moved)).toEqual([]);
  });
});

test('agreement is told by category and person, and what people said of their own grades apart', () => {
  const looks = [look({}, {}), look({}, {}, ['petra', 'oskar']), look({}, {}, ['imke', 'imke'])];
  const { all, byCategory, byPerson, withOneself } = agreementOf(looks, rules);
  expect([all?.plain.pairs, withOneself?.plain.pairs]).toEqual([2, 1]);
  expect(byCategory.map(({ category, plain }) => [category, plain.pairs])).toEqual([['display', 2]]);
  expect(byPerson.map(({ person, plain }) => [person, plain.pairs])).toEqual([
    ['imke', 1],
    ['oskar', 1],
    ['petra', 2],
  ]);
  expect(agreementOf([], rules)).toMatchObject({ all: null, byCategory: [], disputes: [] });
});

test('the next part to look at again is the one nearest to a limit, in the category that is known the least', () => {
  const best = bestReadings({ category: 'battery' });
  const cell = (id: string, capacityShare: number): Candidate => ({
    id,
    category: 'battery',
    interchange: 'any',
    findings: [],
    readings: { ...best, capacityShare },
  });
  const display: Candidate = {
    ...cell('display', 0),
    category: 'display',
    readings: bestReadings({ category: 'display' }),
  };
  const candidates = [cell('sure', 84), cell('near', 88), display];
  const ids = (looked: Parameters<typeof rankSecondLooks>[1]) =>
    rankSecondLooks(candidates, looked, rules, 3).map(({ id }) => id);
  expect(ids([])[0]).toBe('near');
  // Once batteries were looked at often, and people agreed, a display teaches more.
  const agreed = Array.from({ length: 30 }, () => ({ category: 'battery', first: 'B', second: 'B' }) as const);
  expect(ids(agreed)[0]).toBe('display');
});
