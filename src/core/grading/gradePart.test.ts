import fc from 'fast-check';
import { bestReadings } from '../../../tests/support/bestReadings';
import { gradeRank, worstGrade, grades } from '@/core/shared/grades';
import type { Hit } from '@/core/findings/hits';
import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import { capOf } from '@/core/findings/partHarm';
import { gradePart, gradeReading, punches } from './gradePart';
import {
  gradingFault,
  limitedGrades,
  measuredAttributes,
  startingGradingChoices,
  startingGradingLimits,
  startingGradingRules,
  unusableLimits,
  type GradingRules,
  type MeasuredAttribute,
} from '@/core/shared/gradingRules';
import { attributesOf, type NumberAttribute, type Readings } from './attributes';

const a = (category: PartCategory, findings: readonly Hit[] = []) => ({ category, interchange: 'any', findings });
const judge = (category: PartCategory, readings: Readings, hits?: readonly Hit[]) =>
  gradePart(a(category, hits), readings, startingGradingRules);

const good = {
  shape: 'flat',
  freed: 'strip',
  swellingMm: 0.05,
  capacityShare: 97,
  resistanceMilliOhm: 80,
  cycles: 90,
};

describe('gradePart', () => {
  test.each([
    [good, 'A', 'shape'],
    [{ ...good, capacityShare: 88 }, 'B', 'capacityShare'],
    [{ ...good, capacityShare: 87.9 }, 'C', 'capacityShare'],
    [{ ...good, capacityShare: 79.9 }, 'X', 'capacityShare'],
    [{ ...good, cycles: 701 }, 'D', 'cycles'],
    [{ ...good, cycles: 1001 }, 'X', 'cycles'],
    [{ ...good, shape: 'bent' }, 'X', 'shape'],
    [{ ...good, freed: 'pried' }, 'X', 'freed'],
    [{ ...good, swellingMm: 0.36 }, 'D', 'swellingMm'],
    // What is optional counts once it was read.
    [{ ...good, restLossMilliVolt: 25 }, 'D', 'restLossMilliVolt'],
  ] as const)('battery %j is %s by %s', (readings, grade, limiting) => {
    expect(judge('battery', readings)).toMatchObject({ ok: true, value: { grade, limiting } });
  });

  test('says what it would be if the limiting attribute were perfect', () => {
    expect(judge('battery', { ...good, cycles: 701, resistanceMilliOhm: 120 })).toMatchObject({
      value: { grade: 'D', limiting: 'cycles', without: 'B' },
    });
  });

  test('a locked board is scrap whatever else it is', () => {
    const board = { ...bestReadings({ category: 'board' }), lock: 'locked' };
    expect(judge('board', board)).toMatchObject({ value: { grade: 'X', limiting: 'lock' } });
  });

  test('asks for the first reading that is missing, and refuses impossible ones', () => {
    expect(judge('battery', { shape: 'flat', capacityShare: 90 })).toMatchObject({
      ok: false,
      refusal: { reason: 'readings-missing', values: { attribute: 'freed' } },
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
      const attributes = attributesOf(a(category), startingGradingRules);
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
      .flatMap((category) => attributesOf(a(category), startingGradingRules))
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
      const best = bestReadings({ category });
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
    const silent = { ...bestReadings({ category: 'speaker' }), sound: 'silent' };
    expect(judge('speaker', silent, [{ finding: 'liquid', depthMm: 1 }])).toMatchObject({
      value: { grade: 'X', limiting: 'sound', cap: null },
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
        const [was, will] = [startingGradingLimits, stricter].map((gradingLimits) => {
          const rules = { ...startingGradingRules, gradingLimits };
          const judged = gradePart(a('battery'), { ...good, capacityShare }, rules);
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

  test('limits of a class hold for its parts and no others', () => {
    const limits = { A: 60, B: 50, C: 45, D: 40 };
    const rules: GradingRules = {
      ...startingGradingRules,
      classLimits: [{ interchange: 'thick-hinge', attribute: 'hingeNewtonCm', limits }],
    };
    const readings = { hingeNewtonCm: 46, play: 'none', fixings: 'whole' };
    const gradeOf = (interchange: string) => {
      const judged = gradePart({ category: 'hinge', interchange, findings: [] }, readings, rules);
      return judged.ok ? judged.value.grade : judged.refusal.reason;
    };
    expect([gradeOf('thick-hinge'), gradeOf('thin-hinge')]).toEqual(['C', 'A']);
  });

  test('a gap, an overlap, a settled choice, a choice that gets better again, and a class named twice are faults', () => {
    const rules = startingGradingRules;
    const limits = (values: object) => ({ ...rules, gradingLimits: { ...rules.gradingLimits, ...values } });
    const choices = (values: object) => ({ ...rules, gradingChoices: { ...rules.gradingChoices, ...values } });
    const own = { interchange: 'x', attribute: 'dentMm', limits: { A: 1, B: 2, C: 3, D: 4 } } as const;
    expect(gradingFault(rules)).toBeUndefined();
    expect(gradingFault(limits({ dentMm: { A: 1, B: 0.5, C: 2, D: 3 } }))).toEqual({
      place: 'gradingLimits.dentMm',
      fault: 'order',
    });
    expect(gradingFault(choices({ shape: { flat: 'A', bent: 'D', swollen: 'X' } }))).toEqual({
      place: 'gradingChoices.shape.bent',
      fault: 'settled',
    });
    expect(gradingFault(choices({ wear: { none: 'B', light: 'A', marked: 'C', heavy: 'D' } }))).toEqual({
      place: 'gradingChoices.wear.light',
      fault: 'not-falling',
    });
    expect(gradingFault({ ...rules, classLimits: [own, own] })).toEqual({ place: 'classLimits.1', fault: 'twice' });
    const crossed = { ...own, limits: { A: 4, B: 3, C: 2, D: 1 } };
    expect(gradingFault({ ...rules, classLimits: [crossed] })).toEqual({ place: 'classLimits.0', fault: 'order' });
  });
});

describe('single-use parts', () => {
  const seal = (reuse: 'never' | 'asked') => ({ ...a('cover'), reuse });
  const asked = { ...bestReadings({ category: 'cover' }) };

  test('one that is never used again is scrap, whatever it reads', () => {
    expect(gradePart(seal('never'), asked, startingGradingRules)).toMatchObject({
      value: { grade: 'X', limiting: 'used-once' },
    });
  });

  test('one that may be is asked its question first, and a no is scrap', () => {
    expect(gradePart(seal('asked'), asked, startingGradingRules)).toMatchObject({
      refusal: { reason: 'readings-missing', values: { attribute: 'reuse' } },
    });
    const answered = (reuse: string) => gradePart(seal('asked'), { ...asked, reuse }, startingGradingRules);
    expect(answered('yes')).toMatchObject({ value: { grade: 'A' } });
    expect(answered('no')).toMatchObject({ value: { grade: 'X', limiting: 'reuse' } });
  });
});

test('every category asks for something, and every attribute is asked for by one', () => {
  const asked = new Set(
    partCategories.flatMap((category) =>
      attributesOf({ ...a(category), reuse: 'asked' }, startingGradingRules).map(({ id }) => id),
    ),
  );
  expect([...asked].sort()).toEqual(
    [...Object.keys(measuredAttributes), ...Object.keys(startingGradingChoices)].sort(),
  );
});
