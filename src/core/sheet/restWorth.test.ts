import { TestBench } from '../../../tests/support/bench';
import { phone } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import type { PartKnowledge } from '@/core/teardown/plan/teardownPlan';
import type { SheetState } from '../entities/entities';
import { restWorth } from './restWorth';
import { sheetOf } from './sheetOf';

const known = (soundCents: number): readonly PartKnowledge[] =>
  ['battery', 'camera'].map((part) => ({ part, soundCents, chance: 0.9, lowChance: 0.8, highChance: 1, isSeen: true }));

function restAfter(steps: number, soundCents: number, trouble = false) {
  const bench = new TestBench();
  bench.decided(phone, 'donor');
  bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery', 'camera'], keeping: 'tray' });
  for (let at = 0; at < steps; at += 1) bench.step(phone);
  const unit = bench.unit();
  const state: SheetState = {
    ...(unit.sheet as SheetState),
    ...(trouble && {
      partTroubles: [{ stepId: 'out:strip', partRef: 'battery', state: 'broken-by-us', defectCode: null }],
    }),
  };
  const sheet = sheetOf(phone, unit, state);
  if (!sheet.ok) throw new Error('no sheet');
  return restWorth(phone, { ...unit, sheet: state }, sheet.value, known(soundCents), startingHouseRules);
}

describe('restWorth', () => {
  test('what is done costs nothing any more: the rest is worth more with every step', () => {
    const [first, second, later] = [restAfter(0, 2000), restAfter(1, 2000), restAfter(3, 2000)];
    expect(second.cents).toBeGreaterThan(first.cents);
    expect(later.cents).toBeGreaterThan(second.cents);
    expect(later.minutes).toBeLessThan(first.minutes);
    expect(first.paying).toEqual(['battery', 'camera']);
  });

  test('a part that broke brings nothing, and what only it needed no longer pays', () => {
    const whole = restAfter(3, 2000);
    const broken = restAfter(3, 2000, true);
    // Its worth as often as it comes out, less what a joint that resists would have cost for it.
    expect(whole.cents - broken.cents).toBeLessThanOrEqual(1800);
    expect(whole.cents - broken.cents).toBeGreaterThan(1600);
    expect(broken.paying).toEqual(['camera']);
    expect(broken.gainCents).toBeGreaterThan(0);
  });

  test('when nothing pays from here, stopping is better by all that the rest costs', () => {
    const poor = restAfter(1, 5);
    expect(poor.paying).toEqual([]);
    expect(poor.cents).toBeLessThan(0);
    expect(poor.gainCents).toBe(-poor.cents);
  });
});
