import { shippedModels } from '../../../../tests/support/models';
import { getModelPart, type Model } from '@/core/procedure/model';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { planTeardown } from '../plan/planTeardown';
import { movesOf } from './movesOf';
import { priceOfPart } from './partWorth';
import { savedMoves } from './savedMoves';

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

describe('savedMoves', () => {
  test('the moves of every assembly that is asked about, sound', () => {
    expect(savedMoves(quay, usual(quay), ['display-set', 'tilt', 'camera'], rules)).toEqual(
      ['tilt', 'camera'].map((part) => ({
        assembly: 'display-set',
        part,
        cents: expect.closeTo(byHand(quay, 'display-set', part), 6) as number,
      })),
    );
  });

  test('a model without transfers saves none', () => {
    const lantern = shippedModels.find(({ name }) => name === 'Lantern 5') as Model;
    expect(savedMoves(lantern, usual(lantern), ['display'], rules)).toEqual([]);
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
