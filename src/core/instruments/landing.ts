import { measuredAttributes, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { ReadingMessage } from './message';
import { inUnit } from './units';

/** What a page at a bench can use: torques and temperatures of a step, and everything that is measured on a part. */
export const wishes = ['torque', 'celsius', ...(Object.keys(measuredAttributes) as MeasuredAttribute[])] as const;
export type Wish = (typeof wishes)[number];

/** What somebody at a bench waits for now, what they want first foremost. */
export interface BenchWait {
  /** Tag of the part in hand; null at a step. */
  readonly part: string | null;
  readonly wants: readonly Wish[];
}

/** Where a reading goes: a field, a code, or the log of an analyser. */
export type Landing =
  | { readonly is: 'value'; readonly wish: Wish; readonly value: number; readonly plusMinus?: number }
  | { readonly is: 'code'; readonly code: string }
  | { readonly is: 'samples' };

/** A message that is older, or so far ahead of the server's clock, is no reading of now. */
export const freshMs = 120_000;

interface Range {
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  readonly instrument: string;
}

const ofSteps: Readonly<Record<'torque' | 'celsius', Range>> = {
  torque: { unit: 'N·cm', low: 0, high: 500, instrument: 'torque-driver' },
  celsius: { unit: '°C', low: -20, high: 250, instrument: 'surface-probe' },
};
const rangeOf = (wish: Wish): Range =>
  wish === 'torque' || wish === 'celsius' ? ofSteps[wish] : measuredAttributes[wish];

/**
 * Where a message lands at its bench: in the first field that waits for such an instrument and such a unit.
 *
 * @param wait  what somebody waits for there; null while nobody does
 * @param now   of the server, in ms
 * @refuses 'reading-stale', 'reading-unwanted', 'reading-wrong-part', 'reading-empty', 'reading-unit', 'reading-out-of-range'
 */
export function landingOf(message: ReadingMessage, wait: BenchWait | null, now: number): Outcome<Landing> {
  const { instrument, at, part, value, unit = '', plusMinus, code, samples } = message;
  const seconds = Math.round((now - Date.parse(at)) / 1000);
  if (Math.abs(seconds) * 1000 > freshMs)
    return refuse('reading-stale', { instrument, seconds: Math.abs(seconds), isAhead: seconds < 0 ? 'yes' : 'no' });
  if (instrument === 'scanner') return code ? accept({ is: 'code', code }) : refuse('reading-empty', { instrument });
  if (!wait) return refuse('reading-unwanted', { instrument });
  if (part !== undefined && part !== wait.part)
    return refuse('reading-wrong-part', { instrument, part, waits: wait.part ?? '' });
  const own = wait.wants.filter((wish) => rangeOf(wish).instrument === instrument);
  if (own.length === 0) return refuse('reading-unwanted', { instrument });
  if (samples !== undefined || message.isLast) return accept({ is: 'samples' });
  if (value === undefined) return refuse('reading-empty', { instrument });
  const said = own.flatMap((wish) => {
    const range = rangeOf(wish);
    const here = inUnit(value, unit, range.unit);
    return here === null ? [] : [{ wish, range, here }];
  });
  const [first] = said;
  if (!first)
    return refuse('reading-unit', { instrument, unit, units: [...new Set(own.map((wish) => rangeOf(wish).unit))] });
  const fits = said.find(({ here, range: { low, high } }) => here >= low && here <= high);
  if (!fits) {
    const { low, high, unit: inWhich } = first.range;
    return refuse('reading-out-of-range', { instrument, value: first.here, low, high, unit: inWhich });
  }
  const spread = plusMinus === undefined ? null : inUnit(plusMinus, unit, fits.range.unit);
  return accept({ is: 'value', wish: fits.wish, value: fits.here, ...(spread !== null && { plusMinus: spread }) });
}
