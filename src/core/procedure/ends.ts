import type { Operation, OperationEnd } from './operations';

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
