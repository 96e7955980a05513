import { carriedBy, type Part, type Unit } from '@/core/entities/entities';
import { predictSale, type SaleQuestion } from '@/core/sale/predictSale';
import { kindsFound } from '@/core/findings/mark';
import { fitsSlot, neededParts } from '@/core/sale/slots';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { SaleGrade } from '@/core/shared/grades';
import { byTag } from '@/core/shared/tags';
import type { HouseRules } from '@/core/shared/houseRules';
import type { Move, MovesOf } from '@/core/teardown/worth/movesOf';

/** What a unit would sell at with a part in a slot, and what that leaves after the part's own worth and what moves to it. */
export interface RankedPart<P> {
  readonly part: P;
  readonly sellsAt: SaleGrade;
  readonly priceCents: number;
  readonly partCents: number;
  /** What has to move from the old one to this one, where it is an assembly. */
  readonly moves: readonly Move[];
  /** Names of the parts that it brings and that need not move. */
  readonly brings: readonly string[];
  readonly gainCents: number;
}

/** Whether a part may be offered to a unit: it lies on the shelf for anybody, or is kept for just this one. */
export const isOffered = (
  { place, reservedFor }: Pick<Part, 'place' | 'reservedFor'>,
  unit: Pick<Unit, 'tag'>,
): boolean => place === 'shelf' || (place === 'reserved' && reservedFor === unit.tag);

const nothingMoves: MovesOf = () => [];

/**
 * The interchangeable parts for a slot, best first: what somebody kept for this very unit, then most money left after what the part would fetch alone and what moving
 * costs that it does not save (a bare display against one that brings its camera), then the
 * lower grade (keep the better part for a unit that needs it), then the older tag.
 *
 * @param parts  shelf parts; those that do not fit are left out
 * @param held   grades of the parts already assigned to the unit's other slots
 * @param shelf  what slots that still need a part would get
 * @param movesOf  what moves when an assembly is replaced: of the planner, which a screen loads a moment later. While it is
 *   not there, nothing moves
 */
export function rankForSlot<
  P extends Pick<Part, 'interchange' | 'grade' | 'tag' | 'modelId' | 'carries'> & Partial<Pick<Part, 'reservedFor'>>,
>(
  model: Model,
  unit: Pick<Unit, 'revision' | 'configuration' | 'tests' | 'marks' | 'variant'> & Partial<Pick<Unit, 'found'>>,
  slot: string,
  parts: readonly P[],
  { held = {}, shelf = {} }: SaleQuestion,
  rules: HouseRules,
  movesOf: MovesOf = nothingMoves,
): readonly RankedPart<P>[] {
  const situation = { ...unit, findings: kindsFound(unit) };
  const besides = [...new Set([...neededParts(model, unit).map(({ id }) => id), ...Object.keys(held)])].filter(
    (other) => other !== slot,
  );
  // The same sheet for all parts that bring the same.
  const movesBy = new Map<string, readonly Move[]>();
  const movesFor = (carries: readonly string[]) => {
    const key = carries.join();
    const known = movesBy.get(key) ?? movesOf(model, situation, slot, rules, { carries, besides });
    movesBy.set(key, known);
    return known;
  };
  return parts
    .filter((part) => fitsSlot(model, slot, part))
    .map((part): RankedPart<P> => {
      const grade = part.grade as SaleGrade;
      const { grade: sellsAt, priceCents } = predictSale(
        model,
        unit,
        { held: { ...held, [slot]: grade }, shelf },
        rules,
      );
      const partCents = getModelPart(model, slot).valueCents?.[grade] ?? 0;
      const carries = part.modelId === model.id ? carriedBy(part) : [];
      const moves = movesFor(carries);
      const brings = movesFor([])
        .filter((move) => carries.includes(move.part))
        .map((move) => getModelPart(model, move.part).name);
      const movingCents = Math.round(moves.reduce((sum, { cents }) => sum + cents, 0));
      return { part, sellsAt, priceCents, partCents, moves, brings, gainCents: priceCents - partCents - movingCents };
    })
    .sort(
      (a, b) =>
        Number(b.part.reservedFor !== undefined) - Number(a.part.reservedFor !== undefined) ||
        b.gainCents - a.gainCents ||
        (b.part.grade as string).localeCompare(a.part.grade as string) ||
        byTag(a.part, b.part),
    );
}
