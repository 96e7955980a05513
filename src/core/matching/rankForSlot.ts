import type { Part, Unit } from '@/core/bench/entities';
import { fitsSlot, slotNeeds } from '@/core/bench/slots';
import { getModelPart, type Model } from '@/core/procedure/model';
import { worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';

/** What a unit would sell at with a part in a slot, and what that leaves after the part's own worth. */
export interface RankedPart<P> {
  readonly part: P;
  readonly sellsAt: SaleGrade;
  readonly priceCents: number;
  readonly partCents: number;
  readonly gainCents: number;
}

/**
 * The interchangeable parts for a slot, best first: most money left after what the part would fetch alone, then the
 * lower grade (keep the better part for a unit that needs it), then the older tag.
 *
 * @param parts  shelf parts; those that do not fit are left out
 * @param held   grades of the parts already assigned to the unit's other slots
 */
export function rankForSlot<P extends Pick<Part, 'interchange' | 'grade' | 'tag'>>(
  model: Model,
  unit: Pick<Unit, 'configuration' | 'tests' | 'marks' | 'variant'>,
  slot: string,
  parts: readonly P[],
  held: Readonly<Record<string, Grade>>,
): readonly RankedPart<P>[] {
  return parts
    .filter((part) => fitsSlot(model, slot, part))
    .map((part): RankedPart<P> => {
      const grade = part.grade as SaleGrade;
      const sellsAt = saleGradeWith(model, unit, { ...held, [slot]: grade });
      const priceCents = priceOf(model, unit.variant, sellsAt);
      const partCents = getModelPart(model, slot).valueCents?.[grade] ?? 0;
      return { part, sellsAt, priceCents, partCents, gainCents: priceCents - partCents };
    })
    .sort(
      (a, b) =>
        b.gainCents - a.gainCents ||
        (b.part.grade as string).localeCompare(a.part.grade as string) ||
        a.part.tag.localeCompare(b.part.tag),
    );
}

/** The grade a unit can be expected to sell at when some slots are filled with parts of these grades. */
export function saleGradeWith(
  model: Model,
  unit: Pick<Unit, 'configuration' | 'tests' | 'marks'>,
  held: Readonly<Record<string, Grade>>,
): SaleGrade {
  const worst = worstGrade(
    slotNeeds(model, unit)
      .filter(({ part }) => part.slot === 'cosmetic')
      .map(({ part, ownGrade, isNeeded }) => held[part.id] ?? (isNeeded ? 'A' : ownGrade)),
  );
  return worst === 'X' ? 'D' : worst;
}

/** Price of a model at a grade, with what its variant adds. */
export function priceOf(model: Model, variant: string | null, grade: SaleGrade): number {
  return model.priceCents[grade] + (model.variants.find(({ id }) => id === variant)?.priceCents ?? 0);
}
