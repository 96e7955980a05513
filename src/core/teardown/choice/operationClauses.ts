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

/** For each of some parts, a clause that asks for one of the operations that free it. */
export function freeingClauses(
  operations: readonly Operation[],
  parts: readonly string[],
): readonly (readonly number[])[] {
  const freers = new Map<string, number[]>(parts.map((part) => [part, []]));
  operations.forEach(({ frees }, index) => {
    for (const part of frees) freers.get(part)?.push(index);
  });
  return parts.map((part) => freers.get(part) ?? []);
}
