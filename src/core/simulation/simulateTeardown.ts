import type { Minutes, Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';
import { attendedMinutes } from '@/core/teardown/attendedMinutes';

/** What is true of a unit before it is opened, and nobody at the bench knows. */
export interface UnitTruth {
  readonly findings: readonly Finding[];
  /** Parts that are bad already. */
  readonly bad: ReadonlySet<string>;
}

export interface SimulatedStep {
  readonly operation: string;
  readonly minutes: number;
  /** Which of its ends it took, where it has several. */
  readonly end: string | null;
  readonly broke: readonly string[];
}

export interface SimulatedTeardown {
  readonly steps: readonly SimulatedStep[];
  readonly handMinutes: number;
  /** Parts that were freed, sound or not. */
  readonly parts: readonly { readonly part: string; readonly isSound: boolean }[];
}

/**
 * One teardown as it could happen: minutes from the model’s triangles, ends by their chances, breakages by its risks.
 *
 * A part that is out already cannot be broken any more. Unattended waits are no hand minutes. The same source of chance
 * gives the same teardown.
 */
export function simulateTeardown(order: readonly Operation[], truth: UnitTruth, chance: Chance): SimulatedTeardown {
  const broken = new Set(truth.bad);
  const out = new Set<string>();
  const parts: { part: string; isSound: boolean }[] = [];
  const steps = order.map((operation): SimulatedStep => {
    const end = drawEnd(operation, chance);
    const broke = (operation.risks ?? [])
      .filter((risk) => !out.has(risk.part) && chance.happens(risk.chance))
      .map(({ part }) => part);
    for (const part of [...broke, ...(operation.destroys ?? [])]) broken.add(part);
    for (const part of [...operation.frees, ...(end?.frees ?? [])]) {
      if (out.has(part)) continue;
      out.add(part);
      parts.push({ part, isSound: !broken.has(part) });
    }
    const minutes = drawTriangle(end?.minutes ?? attendedMinutes(operation, truth.findings), chance);
    return { operation: operation.id, minutes, end: end?.id ?? null, broke };
  });
  return { steps, parts, handMinutes: steps.reduce((sum, { minutes }) => sum + minutes, 0) };
}

function drawEnd({ ends = [] }: Operation, chance: Chance): NonNullable<Operation['ends']>[number] | undefined {
  if (ends.length === 0) return undefined;
  const drawn = chance.next();
  let sum = 0;
  return ends.find((end) => drawn < (sum += end.chance)) ?? ends.at(-1);
}

/** A number from a triangle, by the inverse of its distribution. */
export function drawTriangle({ low, likely, high }: Minutes, chance: Chance): number {
  const drawn = chance.next();
  if (high === low) return low;
  const turn = (likely - low) / (high - low);
  return drawn < turn
    ? low + Math.sqrt(drawn * (high - low) * (likely - low))
    : high - Math.sqrt((1 - drawn) * (high - low) * (high - likely));
}
