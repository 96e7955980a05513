import type { Sample } from './sample';

export interface StepResistance {
  readonly milliOhm: number;
  /** Half of the 95 % interval of the middle of all steps. */
  readonly plusMinus: number;
  readonly steps: number;
}

/** A change of current is a step when it is this share of the greatest, and happens within so many seconds. */
const stepShare = 0.3;
const stepSeconds = 3;

/**
 * Resistance from steps of the current: the change of voltage for each ampere, the middle of all steps.
 *
 * @param sign  that a discharge has
 * @returns null when the current never steps
 */
export function resistanceOf(rows: readonly Sample[], sign: 1 | -1): StepResistance | null {
  const greatest = rows.reduce((most, { ampere }) => Math.max(most, Math.abs(ampere)), 0);
  const steps: number[] = [];
  for (let at = 1; at < rows.length; at += 1) {
    const [from, to] = [rows[at - 1] as Sample, rows[at] as Sample];
    const change = (to.ampere - from.ampere) * sign;
    if (to.s - from.s > stepSeconds || Math.abs(change) < stepShare * greatest) continue;
    const milliOhm = (-1000 * (to.volt - from.volt)) / change;
    if (milliOhm > 0) steps.push(milliOhm);
  }
  if (steps.length === 0) return null;
  steps.sort((a, b) => a - b);
  const middle =
    ((steps[Math.floor((steps.length - 1) / 2)] as number) + (steps[Math.floor(steps.length / 2)] as number)) / 2;
  // Spread by the middle deviation, which a single bad step does not move; one step alone is good to a twentieth.
  const deviations = steps.map((step) => Math.abs(step - middle)).sort((a, b) => a - b);
  const spread = 1.4826 * (deviations[Math.floor(deviations.length / 2)] as number);
  const plusMinus = Math.max(
    0.01 * middle,
    steps.length < 3 ? 0.05 * middle : (1.96 * 1.25 * spread) / Math.sqrt(steps.length),
  );
  return { milliOhm: middle, plusMinus, steps: steps.length };
}
