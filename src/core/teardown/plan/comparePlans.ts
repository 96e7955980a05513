import type { TeardownPlan } from './teardownPlan';

/** What is different between two plans for the same device. */
export interface PlanDifference {
  /** Titles of operations that came in, and that fell away. */
  readonly added: readonly string[];
  readonly dropped: readonly string[];
  /** Names of parts with a worth that now come out, and that now stay in. */
  readonly freed: readonly string[];
  readonly left: readonly string[];
  readonly minutes: number;
  readonly cents: number;
}

/** The difference from one plan to another; null when they do the same for the same. */
export function comparePlans(before: TeardownPlan, after: TeardownPlan): PlanDifference | null {
  const missing = (from: TeardownPlan, to: TeardownPlan) =>
    from.operations.filter(({ id }) => !to.operations.some((other) => other.id === id)).map(({ title }) => title);
  const isOut = ({ operations }: TeardownPlan, part: string) => operations.some(({ frees }) => frees.includes(part));
  const changed = (from: TeardownPlan, to: TeardownPlan) =>
    from.lines.filter(({ part }) => isOut(from, part) && !isOut(to, part)).map(({ name }) => name);
  const difference: PlanDifference = {
    added: missing(after, before),
    dropped: missing(before, after),
    freed: changed(after, before),
    left: changed(before, after),
    minutes: after.cost.minutes - before.cost.minutes,
    cents: Math.round(after.netCents - before.netCents),
  };
  const isSame =
    difference.added.length + difference.dropped.length === 0 &&
    Math.abs(difference.minutes) < 0.05 &&
    Math.abs(difference.cents) < 1;
  return isSame ? null : difference;
}
