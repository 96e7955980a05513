import fc from 'fast-check';
import { shippedModels } from '../../../../tests/support/models';
import { Chance } from '@/core/shared/chance';
import { drawTriangle } from '@/core/statistics/triangle';
import { triangleShare } from '@/core/statistics/triangleShare';
import { ladderPolicy, stagesOf, startingOdds, type LadderPolicy, type Stage } from './ladderPolicy';
import { moveAt } from './moveAt';

const labour = 50;
const stageOf = (given: Partial<Stage> = {}): Stage => ({
  says: 'pull',
  minutes: { low: 1, likely: 2, high: 5 },
  yields: 0.8,
  breakage: 0,
  consumableCents: 0,
  ...given,
});

/** What following fixed times to leave each stage brings, by hundred thousandths of a minute summed by hand. */
function valueOf(stages: readonly Stage[], leaveAt: readonly number[], behind: number): number {
  const [stage, ...rest] = stages;
  const [leave, ...others] = leaveAt;
  if (!stage || leave === undefined) return 0;
  const steps = Math.round(leave / 0.05);
  let cents = 0;
  let alive = 1;
  for (let at = 0; at < steps; at += 1) {
    const before = stage.yields * triangleShare(stage.minutes, at * 0.05);
    const yielding = (stage.yields * triangleShare(stage.minutes, (at + 1) * 0.05) - before) / (1 - before);
    cents += alive * (yielding * behind - 0.05 * labour);
    alive *= 1 - yielding;
  }
  return (1 - stage.breakage) * (cents + alive * Math.max(0, valueOf(rest, others, behind))) - stage.consumableCents;
}

const stages = fc.array(
  fc.record({
    low: fc.integer({ min: 0, max: 4 }),
    more: fc.integer({ min: 1, max: 4 }),
    most: fc.integer({ min: 1, max: 4 }),
    yields: fc.constantFrom(0.2, 0.5, 0.9),
    breakage: fc.constantFrom(0, 0.05, 0.3),
    consumableCents: fc.constantFrom(0, 40),
  }),
  { minLength: 1, maxLength: 2 },
);

describe('ladderPolicy', () => {
  test('no fixed times to leave bring more', () => {
    fc.assert(
      fc.property(stages, fc.integer({ min: 0, max: 900 }), (given, behind) => {
        const ladder = given.map(({ low, more, most, ...rest }) =>
          stageOf({ minutes: { low: low / 4, likely: (low + more) / 4, high: (low + more + most) / 4 }, ...rest }),
        );
        const policy = ladderPolicy(ladder, behind, labour);
        const times = (stage: Stage) =>
          Array.from({ length: Math.round(stage.minutes.high / 0.05) + 1 }, (_, at) => at * 0.05);
        let best = 0;
        for (const first of times(ladder[0] as Stage)) {
          for (const second of ladder[1] ? times(ladder[1]) : [0])
            best = Math.max(best, valueOf(ladder, [first, second], behind));
        }
        expect(policy.cents).toBeCloseTo(best, 6);
      }),
      { numRuns: 60, seed: 2026 },
    );
  });

  test('its minutes, chances and cents are the means of what happens when it is followed', () => {
    const ladder = [stageOf(), stageOf({ yields: 0.6, breakage: 0.1, minutes: { low: 0.5, likely: 1, high: 2 } })];
    const behind = 900;
    const policy = ladderPolicy(ladder, behind, labour);
    const chance = new Chance(5);
    const runs = 20_000;
    const seen = { cents: 0, minutes: 0, yields: 0, breaks: 0 };
    for (let run = 0; run < runs; run += 1) {
      const { cents, minutes, end } = follow(policy, behind, chance);
      seen.cents += cents / runs;
      seen.minutes += minutes / runs;
      if (end === 'yields') seen.yields += 1 / runs;
      if (end === 'breaks') seen.breaks += 1 / runs;
    }
    expect(seen.yields).toBeCloseTo(policy.yieldChance, 1.5);
    expect(seen.breaks).toBeCloseTo(policy.breakChance, 1.5);
    expect(Math.abs(seen.minutes - policy.minutes)).toBeLessThan(0.06);
    expect(Math.abs(seen.cents - policy.cents)).toBeLessThan(12);
  });

  test('what is worth little is left sooner than what is worth much', () => {
    const leave = (behind: number) => ladderPolicy([stageOf()], behind, labour).stages[0]?.leaveAt ?? 0;
    expect(leave(300)).toBeLessThan(leave(3000));
    expect(ladderPolicy([stageOf()], 10, labour).stages).toEqual([]);
  });

  test('handing it over is possible after any stage, and no choice of when and whether brings more', () => {
    fc.assert(
      fc.property(
        stages,
        fc.integer({ min: 0, max: 900 }),
        fc.integer({ min: 0, max: 200 }),
        (given, behind, asking) => {
          const ladder = given.map(({ low, more, most, ...rest }) =>
            stageOf({ minutes: { low: low / 4, likely: (low + more) / 4, high: (low + more + most) / 4 }, ...rest }),
          );
          const other = stageOf({ yields: 0.7, minutes: { low: 0.5, likely: 1, high: 1.5 }, consumableCents: asking });
          // Handed over after no stage but the first, after each, or never: fixed chains of the same stages.
          const chains = [ladder, [...ladder, other], [ladder[0] as Stage, other]];
          const best = Math.max(...chains.map((chain) => ladderPolicy(chain, behind, labour).cents));
          const policy = ladderPolicy(ladder, behind, labour, 'Stop.', other);
          expect(policy.cents).toBeCloseTo(best, 6);
          if (policy.cents > ladderPolicy(ladder, behind, labour).cents + 1e-6) {
            expect(policy.stages.at(-2)?.then).toBe('hand-over');
          }
        },
      ),
      { numRuns: 200, seed: 2026 },
    );
  });

  test('says what to do now from the time already spent', () => {
    const policy = ladderPolicy([stageOf(), stageOf({ yields: 0.6 })], 2000, labour);
    const leave = policy.stages[0]?.leaveAt as number;
    expect(moveAt(policy, 0, leave - 0.1)).toBe('go-on');
    expect(moveAt(policy, 0, leave)).toBe('next-rung');
    expect(moveAt(policy, 1, 99)).toBe('stop');
    expect(moveAt(policy, 2, 0)).toBe('stop');
  });

  test('every ladder of the shipped models has a policy', () => {
    const ladders = shippedModels.flatMap(({ operations }) => operations.filter(({ ladder }) => ladder));
    expect(ladders.length).toBeGreaterThan(3);
    for (const operation of ladders) {
      const policy = ladderPolicy(stagesOf(operation, [], startingOdds), 3000, labour, operation.ladder?.stop);
      expect(policy.stages.length).toBeGreaterThan(0);
      expect(policy.yieldChance + policy.breakChance).toBeLessThanOrEqual(1 + 1e-9);
    }
  });
});

/** One unit, tried by the policy. */
function follow(policy: LadderPolicy, behind: number, chance: Chance) {
  let minutes = 0;
  for (const stage of policy.stages) {
    if (chance.happens(stage.breakage)) return { cents: -minutes * labour, minutes, end: 'breaks' as const };
    const yieldsAt = chance.happens(stage.yields) ? drawTriangle(stage.minutes, chance) : Infinity;
    if (yieldsAt <= stage.leaveAt) {
      minutes += yieldsAt;
      return { cents: behind - minutes * labour, minutes, end: 'yields' as const };
    }
    minutes += stage.leaveAt;
  }
  return { cents: -minutes * labour, minutes, end: 'stops' as const };
}
