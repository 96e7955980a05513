import { isScrew, type Joint, type Screw, type TorqueNewtonCm } from '@/core/procedure/joints';
import { tighteningOrder } from './tighteningOrder';

/** What the driver read at a screw. */
export interface TorqueReading {
  readonly stepId: string;
  readonly jointId: string;
  readonly newtonCm: number;
  /** Outside its limits, and somebody said that it stays so. */
  readonly isKept: boolean;
}

export type TorqueVerdict = 'none' | 'low' | 'good' | 'high' | 'kept';

export interface ScrewTorque {
  readonly screw: Screw;
  readonly torque: TorqueNewtonCm;
  readonly reading: number | null;
  readonly verdict: TorqueVerdict;
}

export interface TorqueState {
  /** Screws whose torque is known, in the order in which they are tightened. */
  readonly screws: readonly ScrewTorque[];
  /** The screw that the next reading is of: first one that was read wrong, then the first that was not read. */
  readonly next: Screw | null;
  /** Screws whose last reading is outside its limits and was not answered. */
  readonly open: readonly ScrewTorque[];
}

/**
 * Where the tightening of a step stands. The last reading of a screw counts: a screw that is tightened again is read again.
 *
 * @param joints    of the step
 * @param readings  of the whole sheet, in the order in which they came
 */
export function torqueState(stepId: string, joints: readonly Joint[], readings: readonly TorqueReading[]): TorqueState {
  const screws = tighteningOrder(joints.filter(isScrew)).flatMap((screw): ScrewTorque[] => {
    const { torqueNewtonCm: torque } = screw;
    if (!torque) return [];
    const last = readings.findLast((reading) => reading.stepId === stepId && reading.jointId === screw.id);
    return [{ screw, torque, reading: last?.newtonCm ?? null, verdict: last ? verdictOf(last, torque) : 'none' }];
  });
  const open = screws.filter(({ verdict }) => verdict === 'low' || verdict === 'high');
  const next = open[0] ?? screws.find(({ verdict }) => verdict === 'none');
  return { screws, next: next?.screw ?? null, open };
}

function verdictOf({ newtonCm, isKept }: TorqueReading, { low, high }: TorqueNewtonCm): TorqueVerdict {
  if (newtonCm >= low && newtonCm <= high) return 'good';
  if (isKept) return 'kept';
  return newtonCm < low ? 'low' : 'high';
}
