import type { Minutes, Operation } from '@/core/procedure/operations';
import { findingRules } from '@/core/findings/rules';
import type { Finding } from '@/core/procedure/vocabulary';
import { triangleVariance } from '@/core/statistics/triangle';

/**
 * Attended minutes of an operation on a unit with these findings: the first condition of the model that applies, else the
 * usual ones, longer where a finding asks for care.
 */
export function attendedMinutes(operation: Operation, findings: readonly Finding[]): Minutes {
  const special = operation.minutesWhen?.find((entry) => entry.findings.some((finding) => findings.includes(finding)));
  if (special) return special.minutes;
  const factor = Math.max(1, ...findings.map((finding) => findingRules[finding].minutesFactor));
  const { low, likely, high } = operation.minutes;
  return factor === 1 ? operation.minutes : { low: low * factor, likely: likely * factor, high: high * factor };
}

/** The mean of a triangle of low, likely and high. */
export const meanMinutes = ({ low, likely, high }: Minutes): number => (low + likely + high) / 3;

/**
 * Expected attended minutes: each way the operation can end, with its chance and its own minutes, and what is done between
 * its waits.
 */
export function expectedMinutes(operation: Operation, findings: readonly Finding[]): number {
  const usual = meanMinutes(attendedMinutes(operation, findings));
  const { ends, waits = [] } = operation;
  // What hands do between its waits is done however it ends.
  const between = waits.reduce((sum, { first }) => sum + (first ? meanMinutes(first.minutes) : 0), 0);
  if (!ends || ends.length === 0) return usual + between;
  return ends.reduce((sum, { chance, minutes }) => sum + chance * (minutes ? meanMinutes(minutes) : usual), between);
}

/** Variance of the attended minutes, the ends included. */
export function minutesVariance(operation: Operation, findings: readonly Finding[]): number {
  const usual = attendedMinutes(operation, findings);
  const ends = operation.ends?.length ? operation.ends : [{ chance: 1, minutes: undefined }];
  const mean = expectedMinutes({ ...operation, waits: undefined }, findings);
  return ends.reduce((sum, { chance, minutes }) => {
    const own = minutes ?? usual;
    return sum + chance * (triangleVariance(own) + (meanMinutes(own) - mean) ** 2);
  }, 0);
}

const tenths = 1.2815515655446004;

/** Middle 80 % of a sum of independent minutes, as a normal: good from about five operations on. */
export function minutesRange(
  operations: readonly Operation[],
  findings: readonly Finding[],
): { readonly low: number; readonly high: number } {
  const mean = operations.reduce((sum, operation) => sum + expectedMinutes(operation, findings), 0);
  const spread =
    tenths * Math.sqrt(operations.reduce((sum, operation) => sum + minutesVariance(operation, findings), 0));
  return { low: Math.max(0, mean - spread), high: mean + spread };
}
