import fc from 'fast-check';
import { bestReadings } from '../../../tests/support/bestReadings';
import { gradeRank, worstGrade, grades } from '@/core/shared/grades';
import type { Hit } from '@/core/findings/hits';
import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import { capOf } from '@/core/findings/partHarm';
import { gradePart, gradeReading, punches } from './gradePart';
import {
  limitedGrades,
  measuredAttributes,
  startingGradingLimits,
  unusableLimits,
  type MeasuredAttribute,
} from '@/core/shared/gradingLimits';
import { attributesOf, type NumberAttribute, type Readings } from './rules';

const judge = (category: PartCategory, readings: Readings, hits?: readonly Hit[]) =>
  gradePart(category, readings, startingGradingLimits, hits);

const good = { capacityShare: 97, cycles: 90, resistanceMilliOhm: 80, shape: 'flat' };

describe('gradePart', () => {
  test.each([
    [good, 'A', 'capacityShare'],
    [{ ...good, capacityShare: 88 }, 'B', 'capacityShare'],
    [{ ...good, capacityShare: 87.9 }, 'C', 'capacityShare'],
    [{ ...good, capacityShare: 79.9 }, 'X', 'capacityShare'],
    [{ ...good, cycles: 701 }, 'D', 'cycles'],
    [{ ...good, cycles: 1001 }, 'X', 'cycles'],
    [{ ...good, shape: 'bent' }, 'X', 'shape'],
  ] as const)('battery %j is %s by %s', (readings, grade, limiting) => {
    expect(judge('battery', readings)).toMatchObject({ ok: true, value: { grade, limiting } });
  });

  test('says what it would be if the limiting attribute were perfect', () => {
    expect(judge('battery', { ...good, cycles: 701, resistanceMilliOhm: 120 })).toMatchObject({
      value: { grade: 'D', limiting: 'cycles', without: 'B' },
    });
  });

  test('a locked board is scrap whatever else it is', () => {
    const board = { starts: 'yes', charges: 'yes', radios: 'all', seats: 'whole', liquid: 'none', lock: 'locked' };
    expect(judge('board', board)).toMatchObject({ value: { grade: 'X', limiting: 'lock' } });
  });

  test('asks for the first reading that is missing, and refuses impossible ones', () => {
    expect(judge('battery', { capacityShare: 90 })).toMatchObject({
      ok: false,
      refusal: { reason: 'readings-missing', values: { attribute: 'cycles' } },
    });
    for (const wrong of [-1, 121, Number.NaN, Number.POSITIVE_INFINITY, '90']) {
      expect(judge('battery', { ...good, capacityShare: wrong })).toMatchObject({
        ok: false,
        refusal: { reason: 'bad-input' },
      });
    }
    expect(judge('battery', { ...good, shape: 'round' })).toMatchObject({
      ok: false,
      refusal: { reason: 'bad-input' },
    });
  });

  test('a grade is the worst of its attributes, in every category', () => {
    for (const category of partCategories) {
      const attributes = attributesOf(category, startingGradingLimits);
      const readings = fc.record(
        Object.fromEntries(
          attributes.map((attribute) => [
            attribute.id,
            attribute.kind === 'choice'
              ? fc.constantFrom(...attribute.choices.map(({ id }) => id))
              : fc.integer({ min: attribute.low, max: attribute.high }),
          ]),
        ),
      ) as fc.Arbitrary<Readings>;
      fc.assert(
        fc.property(readings, (given) => {
          const judged = judge(category, given);
          const each = attributes.map(
            (attribute) => gradeReading(attribute, given[attribute.id] as number | string) ?? 'X',
          );
          expect(judged).toMatchObject({ ok: true, value: { grade: worstGrade(each) } });
        }),
        { seed: 2026, numRuns: 40 },
      );
    }
  });

  test('a better number is never a worse grade', () => {
    const numbers = partCategories
      .flatMap((category) => attributesOf(category, startingGradingLimits))
      .filter((attribute): attribute is NumberAttribute => attribute.kind === 'number');
    for (const attribute of numbers) {
      const at = (value: number) => gradeRank(gradeReading(attribute, value) ?? 'X');
      fc.assert(
        fc.property(
          fc.double({ min: attribute.low, max: attribute.high, noNaN: true }),
          fc.double({ min: attribute.low, max: attribute.high, noNaN: true }),
          (a, b) => {
            const [low, high] = [Math.min(a, b), Math.max(a, b)];
            expect(attribute.better === 'higher' ? at(high) <= at(low) : at(low) <= at(high)).toBe(true);
          },
        ),
        { seed: 2026 },
      );
    }
  });

  test('what was found in the unit holds a part down, never up, and is named', () => {
    for (const category of partCategories) {
      const best = bestReadings(category);
      for (const found of [['liquid'], ['swelling'], ['dent'], ['dent', 'swelling'], ['crack'], []] as const) {
        const plain = judge(category, best);
        const hits = found.map((finding) => ({ finding, depthMm: 1 }));
        const judged = judge(category, best, hits);
        if (!plain.ok || !judged.ok) throw new Error(category);
        const cap = capOf(category, hits);
        expect(judged.value.grade).toBe(cap ? worstGrade([plain.value.grade, cap.grade]) : plain.value.grade);
        expect(judged.value.cap).toEqual(cap);
        if (cap) expect([judged.value.limiting, judged.value.without]).toEqual([`found-${cap.finding}`, 'A']);
      }
    }
    // A worse reading decides as before.
    expect(judge('speaker', { works: 'no', wear: 'none' }, [{ finding: 'liquid', depthMm: 1 }])).toMatchObject({
      value: { grade: 'X', limiting: 'works', cap: null },
    });
    const both = [
      { finding: 'swelling', depthMm: 1 },
      { finding: 'dent', depthMm: 1 },
    ] as const;
    expect(capOf('cover', both)).toEqual({ grade: 'C', finding: 'dent' });
  });

  test('four holes for A, none for X', () => {
    expect(grades.map(punches)).toEqual([4, 3, 2, 1, 0]);
  });
});

describe('limits of the house', () => {
  test('a grade follows them, and only where a reading lies between the old and the new', () => {
    const stricter = { ...startingGradingLimits, capacityShare: { A: 95, B: 90, C: 80, D: 80 } };
    fc.assert(
      fc.property(fc.double({ min: 0, max: 120, noNaN: true }), (capacityShare) => {
        const [was, will] = [startingGradingLimits, stricter].map((limits) => {
          const judged = gradePart('battery', { ...good, capacityShare }, limits);
          return judged.ok ? judged.value.grade : undefined;
        });
        const falls = capacityShare >= 88 && capacityShare < 90;
        expect([was, will]).toEqual(falls ? ['B', 'C'] : [was, was]);
      }),
      { seed: 2026 },
    );
  });

  test('limits out of order or outside what can be read are found, each attribute by its name', () => {
    expect(unusableLimits(startingGradingLimits)).toBeUndefined();
    for (const attribute of Object.keys(measuredAttributes) as MeasuredAttribute[]) {
      const { low, high, better } = measuredAttributes[attribute];
      const flat = Object.fromEntries(limitedGrades.map((grade) => [grade, high])) as Record<
        'A' | 'B' | 'C' | 'D',
        number
      >;
      const within = (limits: Partial<typeof flat>) =>
        unusableLimits({ ...startingGradingLimits, [attribute]: { ...flat, ...limits } });
      expect(within({})).toBeUndefined();
      expect(within({ D: high + 1 })).toBe(attribute);
      expect(within({ A: low - 1 })).toBe(attribute);
      expect(within({ [better === 'higher' ? 'A' : 'D']: low })).toBe(attribute);
      expect(within({ [better === 'higher' ? 'D' : 'A']: low })).toBeUndefined();
    }
  });
});
