import type { HeatGoal, HeatPlan, SegmentPlan } from '@/core/heat/heatPlan';
import { sayClock } from '@/ui/words/amounts';

/** On and off, in turns: “on 2:40, off 0:20, on 0:35”. */
export const sayPhases = ({ phases }: Pick<HeatPlan, 'phases'>): string =>
  phases.length > 6
    ? `${sayPhases({ phases: phases.slice(0, 4) })}, and so on`
    : phases.map(({ isOn, seconds }) => `${isOn ? 'on' : 'off'} ${sayClock(seconds)}`).join(', ');

/** What the plan promises, in a sentence. */
export function sayPlan(plan: HeatPlan, goal: HeatGoal): string {
  const margin = goal.limitCelsius - plan.peakCellCelsius;
  if (!plan.isReached)
    return `By the estimate it comes to ${Math.round(plan.bestAdhesiveCelsius)} °C and not to ${goal.fromCelsius} °C with the cell below ${goal.limitCelsius} °C: softener, or leave it.`;
  if (plan.phases.length === 0) return 'It is soft already.';
  return `Heat ${sayPhases(plan)}: soft at ${goal.fromCelsius} °C after ${sayClock(plan.readySeconds)}, for about ${sayClock(plan.softSeconds)}. The cell comes to ${Math.round(plan.peakCellCelsius)} °C, ${Math.round(margin)} K below its limit.`;
}

/** How a stretch of the seam goes, after its name: “on 1:20; cut 0:57, warm again every 0:25; cell 12 K below”. */
export function sayStretch({ plan, segment, warmsAgain, cellMarginKelvin }: SegmentPlan): string {
  if (!plan.isReached) return 'does not get soft like this';
  return [
    plan.phases.length === 0 ? 'soft already' : sayPhases(plan),
    `cut ${sayClock(segment.workSeconds)}${warmsAgain ? `, warm again every ${sayClock(plan.softSeconds)}` : ''}`,
    `the cell ${Math.round(cellMarginKelvin)} K below its limit`,
  ].join('; ');
}
