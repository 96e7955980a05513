import type { Operation } from '@/core/procedure/operations';
import { clausesOf } from '@/core/procedure/situation';

/** The arcs of some operations as clauses of their places in the list; alternatives that do not exist ask for nothing. */
export function operationClauses(operations: readonly Operation[]): readonly (readonly (readonly number[])[])[] {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const places = new Map(operations.map(({ id }, index) => [id, index]));
  return operations.map((operation) =>
    clausesOf(operation, byId).map((any) => any.map((id) => places.get(id) as number)),
  );
}

/** A clause that asks for one of the operations that free a part. */
export const freeingClause = (operations: readonly Operation[], part: string): readonly number[] =>
  operations.flatMap(({ frees }, index) => (frees.includes(part) ? [index] : []));
