import { shippedModels } from '../../../../tests/support/models';
import { getModelPart, type Model } from '@/core/procedure/model';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { planTeardown } from '../plan/planTeardown';
import { carriedWorth } from './carriedWorth';
import { movesOf } from './movesOf';
import { priceOfPart } from './partWorth';

const quay = shippedModels.find(({ name }) => name === 'Twofold Quay') as Model;
const pontoon = shippedModels.find(({ name }) => name === 'Pontoon 12') as Model;
const usual = (model: Model) => ({
  revision: model.revisions[0]?.id ?? null,
  configuration: model.configurations[0]?.id ?? null,
  findings: [],
});
const price = (model: Model, part: string) => priceOfPart(getModelPart(model, part), rules.gradeMix) as number;

/** What the model says of one move, added up by hand. */
function byHand(model: Model, assembly: string, part: string): number {
  const transfer = getModelPart(model, assembly).transfers?.find((one) => one.part === part);
  if (!transfer) throw new Error(`${assembly} does not move ${part}`);
  const { low, likely, high } = transfer.minutes;
  const another = price(model, part) * rules.purchaseFactor;
  return ((low + likely + high) / 3) * rules.labourCentsPerMinute + (transfer.breakage ?? 0) * another;
}

describe('movesOf', () => {
  test('each move with its minutes and its breakage', () => {
    const moves = movesOf(quay, usual(quay), 'display-set', rules);
    expect(moves.map(({ part }) => part)).toEqual(['tilt', 'camera']);
    for (const { part, cents } of moves) expect(cents).toBeCloseTo(byHand(quay, 'display-set', part), 6);
  });

  test('what the new one brings does not move, nor what is replaced in the same go or comes off by its own step', () => {
    const parts = (given: Parameters<typeof movesOf>[4]) =>
      movesOf(quay, usual(quay), 'display-set', rules, given).map(({ part }) => part);
    expect(parts({ carries: ['tilt'] })).toEqual(['camera']);
    expect(parts({ carries: ['tilt', 'camera'] })).toEqual([]);
    expect(parts({ besides: ['camera'] })).toEqual(['tilt']);
    // The display of this one only comes out after its eye.
    expect(movesOf(pontoon, usual(pontoon), 'display', rules).map(({ part }) => part)).not.toContain('eye');
  });

  test('a part that is no assembly moves nothing', () => {
    expect(movesOf(quay, usual(quay), 'camera', rules)).toEqual([]);
  });
});

describe('carriedWorth', () => {
  const ground = [
    { part: 'display-set', soundCents: 9000, chance: 0.9 },
    { part: 'tilt', soundCents: 2400, chance: 0.8 },
    { part: 'camera', soundCents: 4000, chance: 0 },
  ];
  const added = carriedWorth(quay, usual(quay), ground, rules);

  test('whole, the assembly saves the moves of what is sound; taken off, each part saves one less', () => {
    const tilt = byHand(quay, 'display-set', 'tilt');
    expect(added.get('display-set')).toBe(Math.round(tilt * 0.8));
    expect(added.get('tilt')).toBe(-Math.round(tilt * 0.9));
  });

  test('with both out, the expected sum is the bare worth of each', () => {
    const sum = ground.reduce((all, { part, chance }) => all + chance * (added.get(part) ?? 0), 0);
    expect(Math.abs(sum)).toBeLessThanOrEqual(1);
  });

  test('a model without transfers stays as it is', () => {
    const lantern = shippedModels.find(({ name }) => name === 'Lantern 5') as Model;
    expect(carriedWorth(lantern, usual(lantern), [{ part: 'display', soundCents: 1, chance: 1 }], rules).size).toBe(0);
  });
});

describe('a plan with an assembly', () => {
  const plan = (tiltCents: number) => {
    const parts = [
      { part: 'display-set', soundCents: 9000, chance: 1 },
      { part: 'tilt', soundCents: tiltCents, chance: 1 },
    ].map((entry) => ({ ...entry, lowChance: 1, highChance: 1, isSeen: true }));
    const planned = planTeardown(quay, { ...usual(quay), aim: { kind: 'pays' }, parts, scrap: [] }, rules);
    if (!planned.ok) throw new Error('no plan');
    return planned.value;
  };
  const lineOf = (tiltCents: number) => plan(tiltCents).lines.find(({ part }) => part === 'tilt');

  test('the sensor stays on the display unless it brings more than its step and the move it leaves to others', () => {
    const even = lineOf(0)?.payFromCents as number;
    expect(lineOf(even - 1)?.verdict).toBe('leave');
    expect(lineOf(even + 2)?.verdict).toBe('free');
    // Beyond its own step by what moving another one would cost.
    expect(even).toBeGreaterThan(byHand(quay, 'display-set', 'tilt'));
    expect(plan(0).lines.find(({ part }) => part === 'display-set')?.carriedCents).toBeGreaterThan(0);
  });
});
