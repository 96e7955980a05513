import type { CellLabel } from './pack';

/** One stretch of conditioning a cell: what it does, and how long that takes without anybody. */
export interface ConditioningStep {
  readonly does: 'charge' | 'hold' | 'run-down' | 'rest' | 'charge-to-store';
  readonly minutes: number;
  /** Amperes at its beginning; a hold falls from there. 0 for a rest. */
  readonly ampere: number;
  readonly fixture: 'charger' | 'analyser' | null;
}

/** A cell that is being conditioned: since when, and what it goes through. */
export interface Conditioning {
  /** ISO in UTC. */
  readonly beganAt: string;
  readonly steps: readonly ConditioningStep[];
}

/** Minutes that a conditioning takes from its beginning to its end. */
export const minutesOf = (steps: readonly Pick<ConditioningStep, 'minutes'>[]): number =>
  steps.reduce((sum, { minutes }) => sum + minutes, 0);

/** When the last step is over, in milliseconds. */
export const conditionedAt = ({ beganAt, steps }: Conditioning): number =>
  Date.parse(beganAt) + minutesOf(steps) * 60_000;

/** The step that a cell is in, and when that one is over; null when all are over. @param now  in milliseconds */
export function stepAt(
  { beganAt, steps }: Conditioning,
  now: number,
): { readonly step: ConditioningStep; readonly at: number; readonly endsAt: number } | null {
  let endsAt = Date.parse(beganAt);
  for (const [at, step] of steps.entries()) {
    endsAt += step.minutes * 60_000;
    if (now < endsAt) return { step, at, endsAt };
  }
  return null;
}

/** Currents as shares of the rating, as cells of this kind are usually treated; house rules may be milder. */
export interface ConditioningRates {
  readonly chargeC: number;
  readonly runDownC: number;
  /** The hold ends when the current has fallen to this share. */
  readonly holdEndC: number;
  readonly restMinutes: number;
  /** Share of its charge at which a cell is stored. */
  readonly storeShare: number;
}

export const usualRates: ConditioningRates = {
  chargeC: 0.5,
  runDownC: 0.5,
  holdEndC: 0.05,
  restMinutes: 60,
  storeShare: 0.5,
};

/** Of a full charge at half a C, this share is in when the hold begins. */
const inBeforeHold = 0.85;

/**
 * A full conditioning cycle as a timeline: charge at constant current, hold at the limit until the current has fallen, run down
 * to the cut-off (that one is counted), rest, and charge to where it is stored. In the hold the current falls
 * exponentially, so that what is still missing goes in with the time constant missing ÷ current.
 *
 * @param health  share of the rating that the cell holds, about
 * @param filled  share of that which is in it now
 */
export function conditioningOf(
  label: Pick<CellLabel, 'ratedAmpHours'>,
  health: number,
  filled: number,
  rates: ConditioningRates = usualRates,
): readonly ConditioningStep[] {
  const charge = label.ratedAmpHours * health;
  const [chargeA, runDownA] = [label.ratedAmpHours * rates.chargeC, label.ratedAmpHours * rates.runDownC];
  const missing = Math.max(0, inBeforeHold - filled) * charge;
  const held = (1 - Math.max(inBeforeHold, Math.min(1, filled))) * charge;
  const constantH = held / chargeA;
  const holdH = constantH * Math.log(rates.chargeC / rates.holdEndC);
  const steps: ConditioningStep[] = [
    { does: 'charge', minutes: (60 * missing) / chargeA, ampere: chargeA, fixture: 'charger' },
    { does: 'hold', minutes: 60 * holdH, ampere: chargeA, fixture: 'charger' },
    { does: 'rest', minutes: rates.restMinutes, ampere: 0, fixture: null },
    { does: 'run-down', minutes: (60 * charge) / runDownA, ampere: runDownA, fixture: 'analyser' },
    { does: 'rest', minutes: rates.restMinutes, ampere: 0, fixture: null },
    {
      does: 'charge-to-store',
      minutes: (60 * rates.storeShare * charge) / chargeA,
      ampere: chargeA,
      fixture: 'charger',
    },
  ];
  return steps.filter(({ minutes }) => minutes > 0);
}
