import { knowsNothing } from '../../../tests/support/knowsNothing';
import { phone } from '../../../tests/support/models';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import type { Knowledge } from './knowledge';
import { buildCents, fallbackCents, planBuild, valueBuild } from './valueBuild';
import { planHarvest } from './valueDonor';

const known: Knowledge = {
  ...knowsNothing,
  tests: { picture: { share: 0.8, low: 0.8, high: 0.8 }, sound: { share: 0.9, low: 0.9, high: 0.9 } },
};
const unitWith = (open: readonly string[]) => ({
  revision: phone.revisions[0]?.id ?? null,
  configuration: phone.configurations[0]?.id ?? null,
  variant: phone.variants[0]?.id ?? null,
  marks: [],
  tests: Object.fromEntries(phone.tests.filter((test) => !open.includes(test)).map((test) => [test, 'sound' as const])),
});
const plansOf = (open: readonly string[]) => {
  const unit = unitWith(open);
  const [plan, harvest] = [planBuild(phone, unit, known, rules), planHarvest(phone, unit, known, rules)];
  if (!plan || !harvest) throw new Error('it can be built, and taken apart');
  return { unit, plan, harvest };
};

describe('a build that fails at Prove', () => {
  test('leaves a donor without the parts that the fault makes scrap', () => {
    const { plan, harvest } = plansOf(['picture']);
    const display = harvest.harvest.find(({ part }) => part === 'display');
    if (!display) throw new Error('the display pays');
    expect(plan.failing.map(({ test, share }) => [test, share])).toEqual([['picture', 1]]);
    expect(fallbackCents(plan, harvest)).toBeCloseTo(harvest.cents - display.soundCents * display.chance, 6);
  });

  test('of two tests nobody made, each spoils its own, as often as it is the one that fails', () => {
    const { plan, harvest } = plansOf(['picture', 'sound']);
    const by = new Map(plan.failing.map((own) => [own.test, own.share]));
    // One in five against one in ten.
    expect(by.get('picture')).toBeCloseTo(2 / 3, 9);
    expect(by.get('sound')).toBeCloseTo(1 / 3, 9);
    const left = (test: string) =>
      harvest.harvest
        .filter(({ part }) => plan.failing.find((own) => own.test === test)?.spoils.has(part))
        .reduce((sum, { soundCents, chance }) => sum - soundCents * chance, harvest.cents);
    expect(left('picture')).toBeLessThan(harvest.cents);
    expect(fallbackCents(plan, harvest)).toBeCloseTo((2 / 3) * left('picture') + (1 / 3) * left('sound'), 6);
  });

  test('is worth in a proposal what it leaves, and nothing is lost when every test was made', () => {
    const { unit, plan, harvest } = plansOf(['picture']);
    const valued = valueBuild(plan, unit, known, rules, harvest);
    expect(valued.cents).toBe(buildCents(plan, fallbackCents(plan, harvest), rules));
    expect(valued.cents).toBeLessThan(buildCents(plan, harvest.cents, rules));
    expect(fallbackCents(plansOf([]).plan, harvest)).toBe(0);
    expect(fallbackCents(plan, null)).toBe(0);
  });
});
