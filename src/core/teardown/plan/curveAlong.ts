import type { Operation } from '@/core/procedure/operations';
import type { HouseRules } from '@/core/shared/houseRules';
import { minutesVariance } from '../attendedMinutes';
import { sequenceOf, type OrderGround } from '../order/sequenceOf';
import { timeOrder } from '../order/sequenceProblem';
import { survivalAlong, type Valued } from '../worth/survival';
import type { CurvePoint, PartKnowledge } from './teardownPlan';

const tenth = 1.2815515655446004;

/**
 * Worth after labour along an order, operation by operation, from nothing done to all of them.
 *
 * The range is a normal one: the chance of each part, what is not known of that chance, and the spread of the minutes,
 * taken as independent.
 */
export function curveAlong(
  order: readonly Operation[],
  known: readonly PartKnowledge[],
  valued: readonly Valued[],
  ground: OrderGround,
  rules: HouseRules,
): readonly CurvePoint[] {
  const survival = new Map(survivalAlong(order, valued).map((alive, at) => [(valued[at] as Valued).part, alive]));
  const facts = new Map(known.map((entry) => [entry.part, entry]));
  const steps = timeOrder(
    sequenceOf(order, ground, rules),
    order.map((_, operation) => ({ operation, choice: 0 })),
  );
  const points: CurvePoint[] = [{ done: 0, operation: null, frees: [], cents: 0, lowCents: 0, highCents: 0 }];
  const out = new Set<string>();
  let cents = 0;
  let variance = 0;
  order.forEach((operation, at) => {
    const step = steps[at] as (typeof steps)[number];
    cents -= (step.setUp + step.work) * rules.labourCentsPerMinute;
    variance += minutesVariance(operation, ground.findings) * rules.labourCentsPerMinute ** 2;
    // A part that was laid back and comes off again is gained once.
    const frees = operation.frees.filter((part) => facts.has(part) && !out.has(part) && (survival.get(part) ?? 0) > 0);
    for (const part of frees) {
      out.add(part);
      const { soundCents, lowChance, highChance } = facts.get(part) as PartKnowledge;
      const alive = survival.get(part) as number;
      cents += alive * soundCents;
      // The chance itself, and what is not known of it: its 80 % range is 2.56 standard deviations wide.
      variance += soundCents ** 2 * (alive * (1 - alive) + ((highChance - lowChance) / (2 * tenth)) ** 2);
    }
    const spread = tenth * Math.sqrt(variance);
    points.push({
      done: at + 1,
      operation: operation.id,
      frees,
      cents,
      lowCents: cents - spread,
      highCents: cents + spread,
    });
  });
  return points;
}
