import type { Knot } from '@/core/bench/stages';

/** What waits at a knot, and how many of them went through lately. */
export interface KnotFlow {
  readonly knot: Knot;
  readonly waiting: number;
  readonly passed: number;
}

/**
 * The knot that is pulled tight: where what waits would take longest at the pace of late.
 *
 * By Little's law the wait is the queue over the rate. A knot through which nothing passed counts as if half a thing had,
 * so that a stalled queue is seen and an empty one is not. A single waiting thing pulls nothing tight.
 *
 * @returns null when nothing queues anywhere
 * Source: J. D. C. Little, "A proof for the queuing formula L = λW", Operations Research 9 (1961).
 */
export function tightKnot(flows: readonly KnotFlow[]): Knot | null {
  const queued = flows.filter(({ waiting }) => waiting > 1);
  const wait = ({ waiting, passed }: KnotFlow) => waiting / Math.max(passed, 0.5);
  return (
    queued.reduce<KnotFlow | null>((worst, flow) => (!worst || wait(flow) > wait(worst) ? flow : worst), null)?.knot ??
    null
  );
}
