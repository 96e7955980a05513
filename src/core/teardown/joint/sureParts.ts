import type { CompiledProblem, Way } from '../order/compiledProblem';
import type { SequenceOperation } from '../order/sequenceProblem';
import type { Reach } from './planMoney';
import { slack, type PlanOperation, type PlanProblem } from './planProblem';

/**
 * Parts that every best plan frees: even when all that they need is still to be done, each in a set-up of its own, with
 * everything in its way and breaking what it can, they bring more than that. Whatever a plan is that leaves one in, it is
 * better with it.
 */
export function sureParts(
  problem: PlanProblem,
  compiled: CompiledProblem,
  { needs, comes, done }: Reach,
): readonly number[] {
  const { operations, prizes, carried, centsPerMinute, sequence } = problem;
  const dearestChange = Math.max(0, ...compiled.typeMinutes);
  // A wait beside the hand may be stood out in full by whatever comes after it.
  const longestWait = Math.max(0, ...compiled.waitBeside);
  const worthOf = (part: number) =>
    prizes.reduce((sum, { parts, cents }) => (parts.includes(part) ? sum + cents : sum), 0) +
    carried.reduce((sum, { assembly, cents }) => (assembly === part ? sum + cents : sum), 0);
  const dearest = operations.map(({ cents, risks }, at) => {
    const { slowUntil = [], minutes } = sequence.operations[at] as SequenceOperation;
    const slow = slowUntil.reduce((factor, own) => factor * Math.max(1, own.factor), 1);
    const factor = Math.min(...(compiled.ways[at] as readonly Way[]).map((way) => way.factor));
    const breaks = risks.reduce((sum, { part, chance }) => sum + chance * worthOf(part), 0);
    return (
      (minutes * factor * slow * (comes[at] as number) + 2 * dearestChange + longestWait) * centsPerMinute +
      cents +
      breaks
    );
  });
  const leastAlive = (part: number) =>
    operations.reduce(
      (left, { risks }, at) =>
        needs[at] ? risks.reduce((own, risk) => (risk.part === part ? own * (1 - risk.chance) : own), left) : left,
      1,
    );
  return prizes.flatMap(({ parts: [part, ...others], cents }) => {
    if (part === undefined || others.length > 0) return [];
    const freers = operations.flatMap(({ frees }, at) => (needs[at] && frees.includes(part) ? [at] : []));
    const lost = carried.reduce((sum, own) => (own.part === part ? sum + own.cents : sum), 0);
    const [only, ...more] = freers;
    // With alternatives on the way it is not known what it takes.
    if (only === undefined || more.length > 0) return [];
    const way = needs[only] as ReadonlySet<number>;
    const isSingle = [...way].every((at) =>
      (sequence.operations[at] as SequenceOperation).after.every((any) => any.some((before) => way.has(before))),
    );
    const cost = [...way].reduce((sum, at) => sum + (dearest[at] as number), lost);
    // What else these operations free only adds, but for what an assembly then no longer carries.
    const takesOff = [...way].some((at) =>
      (operations[at] as PlanOperation).frees.some(
        (other) => other !== part && carried.some((own) => own.part === other),
      ),
    );
    const brings = cents * leastAlive(part) * (done[only] as number);
    return isSingle && !takesOff && brings > cost + slack ? [part] : [];
  });
}
