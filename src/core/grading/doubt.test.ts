import fc from 'fast-check';
import { bestReadings } from '../../../tests/support/bestReadings';
import { partCategories } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import { gradeRank, grades, worstGrade, type Grade } from '@/core/shared/grades';
import { measuredAttributes, startingGradingRules as rules, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { attributeBy, attributesOf, type NumberAttribute, type Readings } from './attributes';
import { certain, chancesOf, clampTo, doubtful, partChances, worstOfAll } from './doubt';
import { per95 } from '@/core/statistics/per95';
import { gradePart, gradeReading, type Judgement } from './gradePart';
import { liftOf } from './liftOf';
import { placeOn, rulerOf } from './ruler';
import { secondReading } from './secondReading';

const numbers = (Object.keys(measuredAttributes) as MeasuredAttribute[]).map(
  (id) => attributeBy(rules, id) as NumberAttribute,
);
const battery = { category: 'battery', interchange: 'lantern-5-cell', findings: [] } as const;
const capacity = attributeBy(rules, 'capacityShare') as NumberAttribute;

function judged(readings: Readings, part: Parameters<typeof gradePart>[0] = battery): Judgement {
  const outcome = gradePart(part, readings, rules);
  if (!outcome.ok) throw new Error(outcome.refusal.reason);
  return outcome.value;
}
const withCapacity = (capacityShare: number) => judged({ ...bestReadings(battery), capacityShare });

/** A standard normal draw, by the polar method. */
function normal(next: () => number): number {
  for (;;) {
    const [x, y] = [2 * next() - 1, 2 * next() - 1];
    const square = x * x + y * y;
    if (square > 0 && square < 1) return x * Math.sqrt((-2 * Math.log(square)) / square);
  }
}

describe('the chance of each grade', () => {
  test('sums to one, and is the share of true values drawn about the reading', () => {
    const chance = new Chance(18);
    for (const [reading, sd] of [
      [88, 1],
      [80.4, 0.8],
      [95, 3],
      [70, 2],
    ] as const) {
      const chances = chancesOf(capacity, reading, sd);
      const drawn: Record<Grade, number> = { A: 0, B: 0, C: 0, D: 0, X: 0 };
      const rounds = 40_000;
      for (let round = 0; round < rounds; round += 1) {
        const truth = clampTo(capacity, reading + sd * normal(() => chance.next()));
        drawn[gradeReading(capacity, truth) ?? 'X'] += 1 / rounds;
      }
      expect(grades.reduce((sum, grade) => sum + chances[grade], 0)).toBeCloseTo(1, 9);
      for (const grade of grades) expect(Math.abs(chances[grade] - drawn[grade])).toBeLessThan(0.01);
    }
  });

  test('the worst of several is what all combinations give', () => {
    const some = fc.tuple(...grades.map(() => fc.double({ min: 0.01, max: 1, noNaN: true }))).map((weights) => {
      const sum = weights.reduce((total, weight) => total + weight, 0);
      return Object.fromEntries(grades.map((grade, at) => [grade, (weights[at] as number) / sum])) as Record<
        Grade,
        number
      >;
    });
    fc.assert(
      fc.property(some, some, some, (...each) => {
        const brute: Record<Grade, number> = { A: 0, B: 0, C: 0, D: 0, X: 0 };
        for (const a of grades)
          for (const b of grades)
            for (const c of grades) brute[worstGrade([a, b, c])] += each[0][a] * each[1][b] * each[2][c];
        const worst = worstOfAll(each);
        for (const grade of grades) expect(worst[grade]).toBeCloseTo(brute[grade], 9);
      }),
      { seed: 18, numRuns: 60 },
    );
  });

  test('what is counted is not in doubt; what is capped stays capped', () => {
    const board = { category: 'board', interchange: 'b', findings: [{ finding: 'liquid', depthMm: 1 }] } as const;
    const judgement = judged(bestReadings(board), board);
    expect(partChances(judgement, {})).toEqual(certain(judgement.grade));
    const display = { category: 'display', interchange: 'd', findings: [] } as const;
    expect(chancesOf(attributeBy(rules, 'deadPixels') as NumberAttribute, 1, 0)).toEqual(certain('B'));
    expect(doubtful(judged(bestReadings(display), display), {})).toEqual([]);
  });
});

describe('doubtful', () => {
  test('an interval that crosses a limit is in doubt, one that stays inside is not', () => {
    expect(doubtful(withCapacity(87.2), {}).map(({ id }) => id)).toEqual(['capacityShare']);
    expect(doubtful(withCapacity(84), {})).toEqual([]);
    expect(doubtful(withCapacity(84), { capacityShare: 5 }).map(({ id }) => id)).toEqual(['capacityShare']);
  });

  test('better than it is changes nothing while another holds it down', () => {
    // Just below B, and the cell is a C by its cycles.
    expect(doubtful(judged({ ...bestReadings(battery), capacityShare: 87.9, cycles: 600 }), {})).toEqual([]);
    // Just above the end: worse than C it would be.
    const near = judged({ ...bestReadings(battery), capacityShare: 80.2, cycles: 600 });
    expect(doubtful(near, {}).map(({ id }) => id)).toEqual(['capacityShare']);
  });
});

describe('secondReading', () => {
  const values = { A: 1900, B: 1500, C: 900, D: 300 };

  test('its worth is what a simulation with known truth gives, and it is most at a limit', () => {
    const chance = new Chance(7);
    const sd = 1.5 / per95;
    for (const reading of [88, 87.4, 80.1]) {
      const judgement = withCapacity(reading);
      const weighed = secondReading(judgement, capacity, {}, values);
      if (!weighed) throw new Error('it has a spread');
      const costOf = (given: Grade, truth: Grade) =>
        Math.abs(((values as Record<string, number>)[given] ?? 0) - ((values as Record<string, number>)[truth] ?? 0));
      let [before, after] = [0, 0];
      const rounds = 60_000;
      for (let round = 0; round < rounds; round += 1) {
        const truth = reading + sd * normal(() => chance.next());
        const again = truth + sd * normal(() => chance.next());
        const is = gradeReading(capacity, clampTo(capacity, truth)) ?? 'X';
        before += costOf(judgement.grade, is) / rounds;
        after += costOf(gradeReading(capacity, clampTo(capacity, (reading + again) / 2)) ?? 'X', is) / rounds;
      }
      expect(Math.abs(weighed.centsNow - before)).toBeLessThan(5);
      expect(Math.abs(weighed.centsAfter - after)).toBeLessThan(5);
    }
    const worth = (reading: number) => {
      const weighed = secondReading(withCapacity(reading), capacity, {}, values);
      return weighed ? weighed.centsNow - weighed.centsAfter : 0;
    };
    expect(worth(88)).toBeGreaterThan(worth(88.5));
    expect(worth(88.5)).toBeGreaterThan(worth(90));
    expect(worth(84)).toBeCloseTo(0, 3);
  });

  test('it is never worth less than nothing, and nothing where there is no spread', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 110, noNaN: true }),
        fc.double({ min: 0.1, max: 8, noNaN: true }),
        (at, spread) => {
          const weighed = secondReading(withCapacity(at), capacity, { capacityShare: spread }, values);
          expect(weighed && weighed.centsNow - weighed.centsAfter).toBeGreaterThan(-1);
        },
      ),
      { seed: 18, numRuns: 60 },
    );
    const cycles = attributeBy(rules, 'cycles') as NumberAttribute;
    expect(secondReading(withCapacity(88), cycles, {}, values)).toBeNull();
  });
});

describe('liftOf', () => {
  /** Any readings of a part, by their attributes. */
  const anyReadings = (category: (typeof partCategories)[number]) =>
    fc.record(
      Object.fromEntries(
        attributesOf({ category, interchange: 'any' }, rules).map((attribute) => [
          attribute.id,
          attribute.kind === 'choice'
            ? fc.constantFrom(...attribute.choices.map(({ id }) => id))
            : fc.oneof(
                fc.constantFrom(...Object.values(attribute.limits)),
                fc.double({ min: attribute.low, max: attribute.high, noNaN: true }),
              ),
        ]),
      ),
    ) as fc.Arbitrary<Readings>;

  test('with what it asks for the part has that grade, with a hair less it has not, and no grade between is possible', () => {
    for (const category of partCategories) {
      const part = { category, interchange: 'any', findings: [] };
      fc.assert(
        fc.property(anyReadings(category), (readings) => {
          const judgement = judged(readings, part);
          const lift = liftOf(judgement);
          if (judgement.grade === 'A') return expect(lift).toBeNull();
          if (!lift) throw new Error('below A something lifts');
          const lifted = { ...readings, ...Object.fromEntries(lift.needs.map((need) => [need.attribute, need.value])) };
          expect(judged(lifted, part).grade).toBe(lift.to);
          expect(gradeRank(lift.to)).toBeLessThan(gradeRank(judgement.grade));
          for (const { attribute } of lift.needs) {
            const without = { ...lifted, [attribute]: readings[attribute] as number | string };
            expect(gradeRank(judged(without, part).grade)).toBeGreaterThan(gradeRank(lift.to));
          }
        }),
        { seed: 18, numRuns: 40 },
      );
    }
  });

  test('nothing lifts what was found in its unit', () => {
    const wet = { ...battery, findings: [{ finding: 'swelling', depthMm: 1 }] } as const;
    const judgement = judged(bestReadings(battery), wet);
    expect([judgement.grade, liftOf(judgement)]).toEqual(['X', null]);
  });
});

describe('a ruler', () => {
  test('shows every reading in the stretch of its grade, and a better one never further left', () => {
    for (const attribute of numbers) {
      const ruler = rulerOf(attribute);
      const value = fc.oneof(
        fc.constantFrom(...Object.values(attribute.limits), attribute.low, attribute.high),
        fc.double({ min: attribute.low, max: attribute.high, noNaN: true }),
      );
      fc.assert(
        fc.property(value, value, (a, b) => {
          const place = placeOn(ruler, a);
          const at = Math.min(ruler.length - 1, Math.floor(place * ruler.length + 1e-9));
          const grade = gradeReading(attribute, a);
          const own = ruler.findIndex((stretch) => stretch.grade === grade);
          // The very end of a stretch is the beginning of the next.
          expect(
            Math.abs(place * ruler.length - own) < 1e-9 || at === own || place * ruler.length - own <= 1 + 1e-9,
          ).toBe(true);
          const [worse, better] =
            attribute.better === 'higher' ? [Math.min(a, b), Math.max(a, b)] : [Math.max(a, b), Math.min(a, b)];
          expect(placeOn(ruler, worse)).toBeLessThanOrEqual(placeOn(ruler, better) + 1e-12);
        }),
        { seed: 18, numRuns: 200 },
      );
    }
  });
});
