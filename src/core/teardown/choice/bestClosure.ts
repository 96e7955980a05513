import { ChoiceOfWeights, type Closure } from './choiceOfWeights';
import type { ClosureProblem } from './closureProblem';

/**
 * The choice of items that weighs most, where each item needs one of each of its clauses taken before it.
 *
 * Items that justify only each other are no choice, so circles of alternatives are right too. Of choices that weigh the
 * same, the one with most of the items that bring something is returned, and nothing in it is there for nothing.
 *
 * @param mostNodes  branches looked at before the search gives up its proof
 * @returns undefined when what is forced cannot be taken
 * @throws RangeError when lengths differ or a weight is not whole
 * Cost: see `ChoiceOfWeights`
 */
export const bestClosure = (problem: ClosureProblem, mostNodes?: number): Closure | undefined =>
  new ChoiceOfWeights(problem).best({ isIn: problem.forced ?? [], ...(mostNodes !== undefined && { mostNodes }) });
