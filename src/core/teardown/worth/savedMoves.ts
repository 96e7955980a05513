import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';
import type { HouseRules } from '@/core/shared/houseRules';
import { movesOf } from './movesOf';

/** What a move that an assembly saves is worth, when both are sound. */
export interface SavedMove {
  readonly assembly: string;
  readonly part: string;
  readonly cents: number;
}

/**
 * An assembly that is harvested whole saves whoever fits it the moves of what is still on it; a part that is taken off it
 * saves none. Both sound, that is worth the move's minutes and what may break in it.
 *
 * @param parts  parts of which the unit can bring something
 * @returns the moves of all assemblies among them; empty for a model without transfers
 */
export const savedMoves = (
  model: Model,
  situation: Situation,
  parts: readonly string[],
  rules: HouseRules,
): readonly SavedMove[] =>
  parts.flatMap((assembly) =>
    movesOf(model, situation, assembly, rules).map(({ part, cents }) => ({ assembly, part, cents })),
  );
