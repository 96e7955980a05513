import type { Minutes, Operation, OperationEnd } from './operations';

type WithEnds = Pick<Operation, 'ends'>;

/** The end that “Done” stands for: the likeliest, the first of those that are as likely. */
export function usualEnd({ ends = [] }: WithEnds): OperationEnd | undefined {
  return ends.reduce<OperationEnd | undefined>(
    (best, end) => (best === undefined || end.chance > best.chance ? end : best),
    undefined,
  );
}

/** The end that was told; the usual one when none was, or one that the operation does not have. */
export const endOf = (operation: WithEnds, endId: string | undefined): OperationEnd | undefined =>
  operation.ends?.find(({ id }) => id === endId) ?? usualEnd(operation);

/** An operation with what one of its ends opens and frees beside its own. */
export function endedBy(operation: Operation, endId: string | undefined): Operation {
  const { opens = [], frees = [] } = endOf(operation, endId) ?? {};
  if (opens.length === 0 && frees.length === 0) return operation;
  return {
    ...operation,
    opensIfShut: [...(operation.opensIfShut ?? []), ...opens],
    frees: [...new Set([...operation.frees, ...frees])],
  };
}

/**
 * An operation as planners weigh it: what its usual end opens and frees is its own; every end takes the minutes of the
 * steps that follow only after it; and a part that an end leaves behind for good counts as broken with that end's chance.
 *
 * @param followUps  steps that exist only after an end of this operation, by end
 */
export function weighedByEnds(operation: Operation, followUps: ReadonlyMap<string, readonly Operation[]>): Operation {
  const ended = endedBy(operation, undefined);
  const { ends } = operation;
  if (!ends) return ended;
  const byUsual = (usualEnd(operation)?.frees ?? []).filter((part) => !operation.frees.includes(part));
  const after = ({ id }: OperationEnd) => followUps.get(id) ?? [];
  const leaves = (end: OperationEnd, part: string) =>
    end.frees?.includes(part) !== true && !after(end).some(({ frees }) => frees.includes(part));
  const lost = byUsual.flatMap((part) => {
    const left = ends.filter((end) => leaves(end, part));
    const chance = left.reduce((sum, end) => sum + end.chance, 0);
    return chance > 0 ? [{ part, chance, what: left.map(({ says }) => says).join(', ') }] : [];
  });
  return {
    ...ended,
    ends: ends.map((end) =>
      after(end).length === 0
        ? end
        : { ...end, minutes: sumOf([end.minutes ?? operation.minutes, ...after(end).map(({ minutes }) => minutes)]) },
    ),
    ...(lost.length > 0 && { risks: [...(operation.risks ?? []), ...lost] }),
  };
}

const sumOf = (all: readonly Minutes[]): Minutes => ({
  low: all.reduce((sum, { low }) => sum + low, 0),
  likely: all.reduce((sum, { likely }) => sum + likely, 0),
  high: all.reduce((sum, { high }) => sum + high, 0),
});
