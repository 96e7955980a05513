import type { HeatGoal, HeatPlan, SegmentPlan } from '@/core/heat/heatPlan';
import * as words from '@/words/catalogue/benchLater';

/** On and off, in turns: “on 2:40, off 0:20, on 0:35”. */
export const sayPhases = ({ phases }: Pick<HeatPlan, 'phases'>): string =>
  phases.length > 6
    ? words.andSoOn({ phases: sayPhases({ phases: phases.slice(0, 4) }) })
    : phases.map(({ isOn, seconds }) => words.on({ isOn: isOn ? 'yes' : 'no', seconds })).join(', ');

/** What the plan promises, in a sentence. */
export function sayPlan(plan: HeatPlan, goal: HeatGoal): string {
  const margin = goal.limitCelsius - plan.peakCellCelsius;
  if (!plan.isReached)
    return words.estimateReachesCNotC({
      bestAdhesiveCelsius: Math.round(plan.bestAdhesiveCelsius),
      fromCelsius: goal.fromCelsius,
      limitCelsius: goal.limitCelsius,
    });
  if (plan.phases.length === 0) return words.alreadySoft();
  return words.heatSoftAtCAfter({
    plan: sayPhases(plan),
    fromCelsius: goal.fromCelsius,
    readySeconds: plan.readySeconds,
    softSeconds: plan.softSeconds,
    peakCellCelsius: Math.round(plan.peakCellCelsius),
    margin: Math.round(margin),
  });
}

/** How a stretch of the seam goes, after its name: “on 1:20; cut 0:57, warm again every 0:25; cell 12 K below”. */
export function sayStretch({ plan, segment, warmsAgain, cellMarginKelvin }: SegmentPlan): string {
  if (!plan.isReached) return words.willNotGetSoftLike2();
  return [
    plan.phases.length === 0 ? words.alreadySoft2() : sayPhases(plan),
    words.cutWarmAgainEvery({
      cut: segment.workSeconds,
      warmsAgain: warmsAgain ? 'yes' : 'no',
      softSeconds: plan.softSeconds,
    }),
    words.batteryKBelowItsLimit({ cellMarginKelvin: Math.round(cellMarginKelvin) }),
  ].join('; ');
}
