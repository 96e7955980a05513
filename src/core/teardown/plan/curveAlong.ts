import type { Operation } from '@/core/procedure/operations';
import type { HouseRules } from '@/core/shared/houseRules';
import { minutesVariance } from '../attendedMinutes';
import { centsAlong, reachOf, soundAlong } from '../joint/planMoney';
import type { NumberedPlan } from '../joint/planProblemOf';
import type { OrderGround } from '../order/sequenceOf';
import type { Placed } from '../order/sequenceProblem';
import type { CurvePoint, PartKnowledge } from './teardownPlan';

const tenth = 1.2815515655446004;

interface CurveGround extends OrderGround {
  readonly operations: readonly Operation[];
  readonly known: readonly PartKnowledge[];
}

/**
 * Worth after labour along an order, operation by operation, from nothing done to all of them: what `bestPlan` counts.
 *
 * The range is a normal one: the chance of each part, what is not known of that chance, and the spread of the minutes,
 * taken as independent.
 */
export function curveAlong(
  order: readonly Placed[],
  { problem, parts, chances }: NumberedPlan,
  { operations, findings, known }: CurveGround,
  rules: HouseRules,
): readonly CurvePoint[] {
  const reach = reachOf(problem);
  const facts = new Map(known.map((entry) => [entry.part, entry]));
  const sound = soundAlong(problem, order, reach);
  const out = new Set<string>();
  let variance = 0;
  const points = order.map(({ operation: number }, at): CurvePoint => {
    const operation = operations[number] as Operation;
    variance += minutesVariance(operation, findings) * rules.labourCentsPerMinute ** 2;
    // A part that was laid back and comes off again is gained once.
    const frees = operation.frees.filter((part) => (facts.get(part)?.chance ?? 0) > 0 && !out.has(part));
    for (const part of frees) {
      out.add(part);
      const { soundCents, lowChance, highChance } = facts.get(part) as PartKnowledge;
      const number = parts.indexOf(part);
      const alive = (chances[number] as number) * (sound[number] as number);
      // The chance itself, and what is not known of it: its 80 % range is 2.56 standard deviations wide.
      variance += soundCents ** 2 * (alive * (1 - alive) + ((highChance - lowChance) / (2 * tenth)) ** 2);
    }
    const cents = centsAlong(problem, order.slice(0, at + 1), reach);
    const spread = tenth * Math.sqrt(variance);
    return { done: at + 1, operation: operation.id, frees, cents, lowCents: cents - spread, highCents: cents + spread };
  });
  return [{ done: 0, operation: null, frees: [], cents: 0, lowCents: 0, highCents: 0 }, ...points];
}
