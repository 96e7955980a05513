import type { LineStage } from '@/core/entities/stages';

/** What waits at a stage, and how many of them went through lately. */
export interface StageFlow {
  readonly stage: LineStage;
  readonly waiting: number;
  readonly passed: number;
}

/**
 * The stage that is pulled tight: where what waits would take longest at the pace of late.
 *
 * By Little's law the wait is the queue over the rate. A stage through which nothing passed counts as if half a thing had,
 * so that a stalled queue is seen and an empty one is not. A single waiting thing pulls nothing tight.
 *
 * @returns null when nothing queues anywhere
 * Source: J. D. C. Little, "A proof for the queuing formula L = λW", Operations Research 9 (1961).
 */
export function slowestStage(flows: readonly StageFlow[]): LineStage | null {
  const queued = flows.filter(({ waiting }) => waiting > 1);
  const wait = ({ waiting, passed }: StageFlow) => waiting / Math.max(passed, 0.5);
  return (
    queued.reduce<StageFlow | null>((worst, flow) => (!worst || wait(flow) > wait(worst) ? flow : worst), null)
      ?.stage ?? null
  );
}
