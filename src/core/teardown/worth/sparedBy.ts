import type { Operation } from '@/core/procedure/operations';

/** Chance that a part is still whole after some operations, by what they risk. */
export const sparedBy = (operations: readonly Operation[], part: string): number =>
  operations
    .flatMap(({ risks = [] }) => risks)
    .reduce((left, risk) => (risk.part === part ? left * (1 - risk.chance) : left), 1);
