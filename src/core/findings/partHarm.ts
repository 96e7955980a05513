import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Finding, PartCategory } from '@/core/procedure/vocabulary';
import { gradeRank, saleGrades, type Grade, type SaleGrade } from '@/core/shared/grades';
import { hitsOf, type Hit } from './hits';
import type { Found } from './mark';
import { findingRules } from './rules';

/** The best grade a part can still have, and what holds it there. */
export interface Cap {
  readonly finding: Finding;
  readonly grade: Grade;
}

/**
 * What holds a part down most of all that hit it; null when nothing does. The same for a part in its unit (`capIn`) and
 * for one that came out and carries what hit it.
 */
export function capOf(category: PartCategory, hits: readonly Hit[]): Cap | null {
  const caps = hits.flatMap(({ finding, depthMm }): Cap[] => {
    const { caps: usual, deep } = findingRules[finding];
    const grade = (deep && depthMm >= deep.fromMm ? deep.caps[category] : undefined) ?? usual[category];
    return grade ? [{ finding, grade }] : [];
  });
  return caps.sort((a, b) => gradeRank(b.grade) - gradeRank(a.grade))[0] ?? null;
}

export const capIn = (model: Model, part: ModelPart, found: Found): Cap | null =>
  capOf(part.category, hitsOf(model, part, found));

/** Parts that are scrap whatever else is the matter, by what was found. */
export const scrapBy = (model: Model, found: Found): readonly string[] =>
  model.parts.filter((part) => capIn(model, part, found)?.grade === 'X').map(({ id }) => id);

/** How sound parts are graded when none can be better than a cap: the better shares fall to it. */
export function cappedMix(
  mix: Readonly<Record<SaleGrade, number>>,
  cap: Grade | undefined,
): Readonly<Record<SaleGrade, number>> {
  if (cap === undefined || cap === 'X') return mix;
  const isBetter = (grade: SaleGrade) => gradeRank(grade) < gradeRank(cap);
  const fallen = saleGrades.filter(isBetter).reduce((sum, grade) => sum + mix[grade], 0);
  const shares = saleGrades.map((grade) => [grade, isBetter(grade) ? 0 : mix[grade] + (grade === cap ? fallen : 0)]);
  return Object.fromEntries(shares) as Record<SaleGrade, number>;
}
