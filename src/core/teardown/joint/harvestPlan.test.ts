import { madeUpModel } from '../../../../tests/support/madeUpModel';
import { operationsFor } from '@/core/procedure/situation';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { knowledgeOf } from '../plan/knowledgeOf';
import { harvestPlan } from './harvestPlan';
import { centsAlong } from './planMoney';

const unseen = { share: 0.6, low: 0.4, high: 0.8 };
const ground = { shares: {}, sharesGiven: {}, unseen, market: {}, resistances: [] };

describe('harvestPlan', () => {
  test('cut short it still brings no less than doing nothing, nor than leaving out any one step of it', () => {
    let unproven = 0;
    for (let seed = 1; seed <= 12; seed += 1) {
      const model = madeUpModel(seed, 70);
      const situation = { revision: 'a', configuration: null, findings: [] };
      const operations = operationsFor(model, situation);
      const unit = { model, postures: model.postures, findings: [], operations, isAllowed: () => true };
      const asked = { worths: knowledgeOf(model, null, ground, rules), saved: [], wanted: [] };
      const plan = harvestPlan(unit, asked, rules, { states: 1 });
      if (!plan) throw new Error('doing nothing is a plan');
      const { best, problem } = plan;
      if (!best.isProven) unproven += 1;
      expect(best.cents).toBeGreaterThanOrEqual(0);
      expect(best.upperBound).toBeGreaterThanOrEqual(best.cents);
      expect(centsAlong(problem, best.order)).toBeCloseTo(best.cents, 6);
      for (const placed of best.order) {
        const fewer = best.order.filter((other) => other !== placed);
        const done = new Set<number>();
        const isPlan = fewer.every(({ operation }) => {
          const { after } = problem.sequence.operations[operation] ?? { after: [[]] };
          const isReady = after.every((any) => any.some((before) => done.has(before)));
          done.add(operation);
          return isReady;
        });
        if (isPlan) expect(centsAlong(problem, fewer)).toBeLessThanOrEqual(best.cents + 1e-6);
      }
    }
    expect(unproven).toBeGreaterThan(0);
  });
});
