import type { SequenceOperation, SequenceProblem, TimedStep } from '../order/sequenceProblem';

export interface BatchMinutes {
  /** Each unit from beginning to end before the next one is fetched. */
  readonly oneThrough: number;
  /** Each step on all units before the next step. */
  readonly stepByStep: number;
  /** What the same step on all saves: changes of tool, and waits that the other units fill. */
  readonly savedToolMinutes: number;
  readonly savedWaitMinutes: number;
  /** What it costs: every unit is laid down and taken up again at every step. */
  readonly handlingMinutes: number;
}

/**
 * Several units of one model by the same plan: one through at a time, or the same step on all of them.
 *
 * Step by step the tool is changed once for all units; each of them is still turned by itself, and is moved aside for the
 * next one. A wait of one unit is filled with the same step on the others, as far as that goes.
 *
 * @param count         units, at least one
 * @param moveMinutes   to lay one unit aside and take up the next
 */
export function batchMinutes(
  problem: SequenceProblem,
  steps: readonly TimedStep[],
  count: number,
  moveMinutes: number,
): BatchMinutes {
  let tools = 0;
  let waits = 0;
  let filled = 0;
  let through = 0;
  steps.forEach((step, at) => {
    const wait = problem.operations[step.operation]?.wait;
    const away = wait && !wait.isBeside ? wait.minutes : 0;
    through += step.setUp + step.waiting + step.work + away;
    tools += at === 0 ? 0 : toolMinutes(problem, steps[at - 1] as TimedStep, step);
    waits += step.waiting + away;
    filled += Math.min(step.waiting + away, (count - 1) * (step.work + moveMinutes));
  });
  const oneThrough = count * through;
  const savedToolMinutes = (count - 1) * tools;
  // Of the waits of all units one is left at each step, less what the others fill of it.
  const savedWaitMinutes = (count - 1) * waits + filled;
  const handlingMinutes = count > 1 ? count * steps.length * moveMinutes : 0;
  return {
    oneThrough,
    stepByStep: oneThrough - savedToolMinutes - savedWaitMinutes + handlingMinutes,
    savedToolMinutes,
    savedWaitMinutes: count > 1 ? savedWaitMinutes : 0,
    handlingMinutes,
  };
}

function toolMinutes(problem: SequenceProblem, from: TimedStep, to: TimedStep): number {
  const toolOf = ({ operation, choice }: TimedStep) =>
    (problem.operations[operation] as SequenceOperation).tools[choice]?.tool as number;
  return problem.toolMinutes[toolOf(from)]?.[toolOf(to)] as number;
}
