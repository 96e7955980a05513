import { partChances } from '@/core/grading/doubt';
import type { Gradable, Readings } from '@/core/grading/attributes';
import { gradeByRead } from '@/core/grading/gradePart';
import type { PlusMinus } from '@/core/grading/doubt';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { grades } from '@/core/shared/grades';
import type { GradingRules } from '@/core/shared/gradingRules';
import type { TwoLooks } from './disputes';

export interface Candidate extends Gradable {
  readonly id: string;
  readonly readings: Readings;
  readonly plusMinus?: PlusMinus;
}

/**
 * The parts whose second look teaches the rules most, the best first: those whose readings stand near a limit, in categories in
 * which people differ, or of which little is known. What is expected to be learnt of a category shrinks by the root of the looks
 * it has had.
 *
 * @param looked  the looks so far
 */
export function rankSecondLooks<C extends Candidate>(
  candidates: readonly C[],
  looked: readonly Pick<TwoLooks, 'category' | 'first' | 'second'>[],
  rules: GradingRules,
  most: number,
): readonly C[] {
  const known = new Map<PartCategory, { pairs: number; differ: number }>();
  for (const { category, first, second } of looked) {
    const { pairs, differ } = known.get(category) ?? { pairs: 0, differ: 0 };
    known.set(category, { pairs: pairs + 1, differ: differ + (first === second ? 0 : 1) });
  }
  return candidates
    .map((part) => {
      const judgement = gradeByRead(part, part.readings, rules);
      const chances = judgement && partChances(judgement, part.plusMinus ?? {});
      // The chance that two readings of the same part, each as good as this one, give two grades.
      const split = chances ? 1 - grades.reduce((sum, grade) => sum + chances[grade] ** 2, 0) : 0;
      const { pairs, differ } = known.get(part.category) ?? { pairs: 0, differ: 0 };
      const habit = (differ + 0.5) / (pairs + 1);
      return { part, score: (split + habit) / Math.sqrt(1 + pairs) };
    })
    .sort((a, b) => b.score - a.score || a.part.id.localeCompare(b.part.id))
    .slice(0, most)
    .map(({ part }) => part);
}
