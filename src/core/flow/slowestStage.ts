import { lineStages, type LineStage } from '@/core/entities/stages';

/** How far back one looks to say how quickly things go through. */
export const latelyDays = 7;

/** What waits at a stage, and how many of them went through lately. */
export interface StageFlow {
  readonly stage: LineStage;
  readonly waiting: number;
  readonly passed: number;
}

/** Stages where things wait for work; the dock's lines are still in the box, and the shelf is meant to be full. */
const working: readonly LineStage[] = lineStages.filter((stage) => stage !== 'dock' && stage !== 'shelf');

/** The flows of the stages where things wait for work, in their order. */
export const workingFlows = (
  waiting: Readonly<Record<LineStage, number>>,
  passed: Readonly<Partial<Record<LineStage, number>>>,
): readonly StageFlow[] => working.map((stage) => ({ stage, waiting: waiting[stage], passed: passed[stage] ?? 0 }));

/**
 * The stage that is pulled tight: where what waits would take longest at the pace of late.
 *
 * By Little's law the wait is the queue over the rate. A stage through which nothing passed counts as if half a thing had,
 * so that a stalled queue is seen and an empty one is not. A single waiting thing pulls nothing tight.
 *
 * @returns null when nothing queues anywhere
 * Source: J. D. C. Little, "A proof for the queuing formula L = λW", Operations Research 9 (1961).
 */
export function slowestStage(flows: readonly StageFlow[]): StageFlow | null {
  const queued = flows.filter(({ waiting }) => waiting > 1);
  const wait = ({ waiting, passed }: StageFlow) => waiting / Math.max(passed, 0.5);
  return queued.reduce<StageFlow | null>((worst, flow) => (!worst || wait(flow) > wait(worst) ? flow : worst), null);
}
