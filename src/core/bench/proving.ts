import type { Model } from '@/core/procedure/model';
import type { DeviceTest } from '@/core/procedure/vocabulary';
import { worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';
import type { Part, Unit } from './entities';
import { slotNeeds } from './slots';

/** Tests that must still pass before a unit may be sold. One sold as it is needs none: it is sold untested. */
export function openProofs(model: Model, unit: Pick<Unit, 'disposition' | 'proof'>): readonly DeviceTest[] {
  return unit.disposition === 'as-is' ? [] : model.tests.filter((test) => unit.proof[test] !== 'sound');
}

export interface SaleJudgement {
  readonly saleGrade: SaleGrade;
  /** What holds the grade down. */
  readonly limiting: string;
}

/**
 * The grade a unit is sold at: the worst of its look and of the cosmetic parts in it, fitted or its own. Sold as it is,
 * it is never better than D.
 *
 * @param fitted  parts that were put in; the slots they fill count by these
 * @param look    what the eye says of the whole
 */
export function gradeForSale(
  model: Model,
  unit: Pick<Unit, 'configuration' | 'tests' | 'marks' | 'disposition' | 'fitted'>,
  fitted: readonly Pick<Part, 'id' | 'grade'>[],
  look: SaleGrade,
): SaleJudgement {
  if (unit.disposition === 'as-is') return { saleGrade: 'D', limiting: 'sold as it is' };
  const grades = new Map(fitted.map(({ id, grade }) => [id, grade]));
  const cosmetic = slotNeeds(model, unit).filter(({ part }) => part.slot === 'cosmetic');
  const judged: { readonly name: string; readonly grade: Grade }[] = [
    { name: 'the look', grade: look },
    ...cosmetic.map(({ part, ownGrade }) => ({
      name: part.name,
      grade: grades.get(unit.fitted[part.id] ?? '') ?? ownGrade,
    })),
  ];
  const worst = worstGrade(judged.map(({ grade }) => grade));
  const saleGrade = worst === 'X' ? 'D' : worst;
  return { saleGrade, limiting: judged.find(({ grade }) => grade === worst)?.name ?? 'the look' };
}
