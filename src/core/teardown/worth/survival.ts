import type { Operation } from '@/core/procedure/operations';

/** A part that is wanted for its worth. */
export interface Valued {
  readonly part: string;
  /** What a sound one brings, in cents. */
  readonly soundCents: number;
  /** Chance that it comes out sound on its own shortest way. */
  readonly chance: number;
  /** Operations of that way: what they risk is in the chance already. */
  readonly ownWay: ReadonlySet<string>;
}

/** Chance that a part is still whole after some operations, by what they risk. */
export const sparedBy = (operations: readonly Operation[], part: string): number =>
  operations
    .flatMap(({ risks = [] }) => risks)
    .reduce((left, risk) => (risk.part === part ? left * (1 - risk.chance) : left), 1);

/**
 * Chance that each part is freed sound along an order: its own chance, times what every other operation leaves whole while
 * the part is still in. A part that an operation destroys, or that nothing frees, is not gained.
 *
 * @returns by part, in the order of `valued`
 * Cost: O(operations · parts)
 */
export function survivalAlong(order: readonly Operation[], valued: readonly Valued[]): readonly number[] {
  return valued.map(({ part, chance, ownWay }) => {
    let alive = chance;
    for (const { id, risks, frees, destroys } of order) {
      if (destroys?.includes(part)) return 0;
      if (!ownWay.has(id)) alive *= 1 - (risks?.find((risk) => risk.part === part)?.chance ?? 0);
      if (frees.includes(part)) return alive;
    }
    return 0;
  });
}

/** Expected cents of all parts along an order. */
export const worthAlong = (order: readonly Operation[], valued: readonly Valued[]): number =>
  survivalAlong(order, valued).reduce((sum, alive, at) => sum + alive * (valued[at] as Valued).soundCents, 0);
