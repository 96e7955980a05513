import fc from 'fast-check';
import { laptop } from '../../../tests/support/models';
import { isScrew } from '@/core/procedure/joints';
import { placeScrews } from './placeScrews';
import { confusionOf } from './confusion';
import { screwName } from '@/core/procedure/drives';
import { screwGroups, type ScrewGroup } from './screwGroups';

describe('screwGroups', () => {
  test('counts alike screws together and leaves other joints out', () => {
    const groups = screwGroups(laptop.joints.filter(({ face }) => face === 'base'));
    expect(groups.map((group) => `${group.count} × ${screwName(group)}`)).toEqual([
      '7 × PH0 7.0',
      '5 × PH0 5.0',
      '4 × PH00 3.0',
    ]);
    expect(screwGroups(laptop.joints.filter(({ kind }) => kind !== 'screw'))).toEqual([]);
  });
});

describe('placeScrews', () => {
  const group = (lengthMm: number, given: Partial<ScrewGroup> = {}): ScrewGroup => ({
    kind: 'screw',
    drive: 'PH00',
    lengthMm,
    diameterMm: 1.4,
    depthMm: lengthMm + 1,
    count: 1,
    jointIds: [],
    singleUse: false,
    ...given,
  });
  const inSteps = (groups: readonly ScrewGroup[]) =>
    groups.map((own, at) => ({ stepId: `s${at}`, face: at % 2 === 0 ? 'back' : 'inside', groups: [own] }));

  test('numbers cups in removal order and gives none twice while there are enough', () => {
    const cups = placeScrews(inSteps(Array.from({ length: 12 }, () => group(3))), 'tray', 12);
    expect(cups.map(({ cup, stepId }) => `${cup} ${stepId}`)).toEqual(
      Array.from({ length: 12 }, (_, at) => `${at + 1} s${at}`),
    );
  });

  test('when some must share, no other way of sharing neighbours is less confusing', () => {
    const groups = fc.array(
      fc.record({
        lengthMm: fc.constantFrom(2, 2.5, 3, 3.5, 6),
        depthMm: fc.constantFrom(2.5, 4, 8),
        drive: fc.constantFrom('PH00', 'T3'),
      }),
      { minLength: 1, maxLength: 7 },
    );
    const costOf = (own: readonly ScrewGroup[], cupOf: readonly number[]) =>
      own.reduce(
        (sum, a, at) =>
          sum +
          own.slice(0, at).reduce((inner, b, other) => inner + (cupOf[other] === cupOf[at] ? confusionOf(a, b) : 0), 0),
        0,
      );
    fc.assert(
      fc.property(groups, fc.integer({ min: 1, max: 4 }), (given, most) => {
        const own = given.map(({ lengthMm, depthMm, drive }) => group(lengthMm, { depthMm, drive }));
        const cups = placeScrews(inSteps(own), 'tray', most).map(({ cup }) => cup);
        expect(Math.max(...cups)).toBeLessThanOrEqual(Math.max(most, 1));
        expect([...cups].sort((a, b) => a - b)).toEqual(cups);
        let best = Infinity;
        for (let mask = 0; mask < 1 << (own.length - 1); mask += 1) {
          let cup = 1;
          const ways = own.map((_, at) => (at > 0 && mask & (1 << (at - 1)) ? (cup += 1) : cup));
          if (cup <= most) best = Math.min(best, costOf(own, ways));
        }
        expect(costOf(own, cups)).toBeCloseTo(best, 9);
      }),
      { numRuns: 300, seed: 2026 },
    );
  });

  test('a longer screw that fits a shallow hole is the last to share its cup', () => {
    const [short, long, other] = [group(3, { depthMm: 3.2 }), group(3.5), group(9)];
    const cups = placeScrews(inSteps([short, long, other]), 'tray', 2).map(({ cup }) => cup);
    expect(cups).toEqual([1, 2, 2]);
  });

  test('what lies already stays where it is, and the rest goes into the cups behind', () => {
    const own = [group(2), group(2.5), group(3), group(3.5), group(6)];
    const lying = new Map([
      ['s0', [2]],
      ['s1', [1]],
    ]);
    const numbers = (most: number) => placeScrews(inSteps(own), 'tray', most, lying).map(({ cup }) => cup);
    expect(numbers(9)).toEqual([2, 1, 3, 4, 5]);
    expect(numbers(4).slice(0, 2)).toEqual([2, 1]);
    expect(new Set(numbers(4).slice(2))).toEqual(new Set([3, 4]));
    // No cup is left: the last one is shared.
    expect(numbers(2)).toEqual([2, 1, 2, 2, 2]);
  });

  test('a mat is one for each face, a pile one for each kind of screw', () => {
    const own = [group(2), group(2.5), group(3)];
    expect(placeScrews(inSteps(own), 'mat', 1).map(({ cup }) => cup)).toEqual([1, 2, 1]);
    const two = [
      { stepId: 'a', face: 'back', groups: [group(2), group(3)] },
      { stepId: 'b', face: 'back', groups: [] },
      { stepId: 'c', face: 'back', groups: [group(2)] },
    ];
    expect(placeScrews(two, 'piles', 1).map(({ cup }) => cup)).toEqual([1, 2, 1]);
    const first = new Map([['a', [4, 2]]]);
    expect(placeScrews(two, 'piles', 1, first).map(({ cup }) => cup)).toEqual([4, 2, 4]);
    const lying = new Map([['s0', [1]]]);
    expect(placeScrews(inSteps(own), 'mat', 1, lying).map(({ cup }) => cup)).toEqual([1, 2, 1]);
  });

  test('moving a joint to another length moves its screw to another cup', () => {
    const [first] = laptop.joints.filter(isScrew);
    if (!first) throw new Error('the laptop has screws');
    const alike = laptop.joints.filter(
      (joint) => isScrew(joint) && joint.drive === first.drive && joint.lengthMm === first.lengthMm,
    );
    const longer = { ...first, lengthMm: (first.lengthMm as number) + 2 };
    const changed = alike.map((joint) => (joint.id === first.id ? longer : joint));
    const cupOf = (joints: typeof alike) =>
      placeScrews([{ stepId: 's', face: 'base', groups: screwGroups(joints) }], 'tray', 9).find(({ group: own }) =>
        own.jointIds.includes(first.id),
      );
    expect(cupOf(alike)?.group.count).toBe(alike.length);
    expect(cupOf(changed)?.group.count).toBe(1);
  });
});
