import type { DeviceTest, Finding, TestResult } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';

/** How the tests that nobody made yet, and what nobody looked for yet, come out on one unit. */
export interface Look {
  /** Tests that are made, and whether they come out sound; the others are decided about without. */
  readonly tests: Readonly<Partial<Record<DeviceTest, TestResult>>>;
  readonly found: readonly Finding[];
}

/** How often each thing comes out. */
export interface LookOdds {
  readonly madeOf: (test: DeviceTest) => number;
  readonly soundOf: (test: DeviceTest) => number;
  readonly foundOf: (finding: Finding) => number;
}

/**
 * Looks that stand for all that could be, each as likely as the others: of each thing they hold as many of each outcome as
 * the odds say (a Latin hypercube), put together by chance.
 *
 * @param open    tests that nobody made
 * @param looked  things that could be found
 * @returns so many looks; the same one may come more often
 */
export function sampleLooks(
  open: readonly DeviceTest[],
  looked: readonly Finding[],
  { madeOf, soundOf, foundOf }: LookOdds,
  count: number,
  chance: Chance,
): readonly Look[] {
  // For each thing, numbers that fill nothing to one evenly, in an order of their own.
  const evenly = (): readonly number[] => {
    const places = Array.from({ length: count }, (_, at) => (at + chance.next()) / count);
    return Array.from(
      { length: count },
      () => places.splice(Math.floor(chance.next() * places.length), 1)[0] as number,
    );
  };
  const results = open.map((test) =>
    evenly().map((at): TestResult | null => {
      const made = madeOf(test);
      if (at >= made) return null;
      return at < made * soundOf(test) ? 'sound' : 'fault';
    }),
  );
  const founds = looked.map((finding) => evenly().map((at) => at < foundOf(finding)));
  return Array.from({ length: count }, (_, at): Look => {
    const tests: Partial<Record<DeviceTest, TestResult>> = {};
    open.forEach((test, index) => {
      const result = results[index]?.[at];
      if (result) tests[test] = result;
    });
    return { tests, found: looked.filter((_finding, index) => founds[index]?.[at]) };
  });
}

/** How much likelier a look is by other odds than by those that it was drawn with. */
export function likelierBy(
  open: readonly DeviceTest[],
  looked: readonly Finding[],
  look: Look,
  other: LookOdds,
  own: LookOdds,
): number {
  return chanceOf(open, looked, look, other) / chanceOf(open, looked, look, own);
}

function chanceOf(
  open: readonly DeviceTest[],
  looked: readonly Finding[],
  { tests, found }: Look,
  { madeOf, soundOf, foundOf }: LookOdds,
): number {
  let all = 1;
  for (const test of open) {
    const [made, result] = [madeOf(test), tests[test]];
    all *= result === undefined ? 1 - made : made * (result === 'sound' ? soundOf(test) : 1 - soundOf(test));
  }
  for (const finding of looked) all *= found.includes(finding) ? foundOf(finding) : 1 - foundOf(finding);
  return all;
}
