import type { Part, Unit } from '@/core/entities/entities';
import { predictSale, type SaleQuestion } from '@/core/sale/predictSale';
import { fitsSlot } from '@/core/sale/slots';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';

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
 * @param shelf  what slots that still need a part would get
 */
export function rankForSlot<P extends Pick<Part, 'interchange' | 'grade' | 'tag'>>(
  model: Model,
  unit: Pick<Unit, 'configuration' | 'tests' | 'marks' | 'variant'> & Partial<Pick<Unit, 'found'>>,
  slot: string,
  parts: readonly P[],
  { held = {}, shelf = {} }: SaleQuestion,
  rules: HouseRules,
): readonly RankedPart<P>[] {
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
      return { part, sellsAt, priceCents, partCents, gainCents: priceCents - partCents };
    })
    .sort(
      (a, b) =>
        b.gainCents - a.gainCents ||
        (b.part.grade as string).localeCompare(a.part.grade as string) ||
        a.part.tag.localeCompare(b.part.tag),
    );
}
