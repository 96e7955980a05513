import { startingGradingLimits } from '@/core/shared/gradingLimits';
import { attributesOf, type Readings } from '@/core/grading/rules';
import type { PartCategory } from '@/core/procedure/vocabulary';

/** Readings of a part that nothing speaks against. */
export const bestReadings = (category: PartCategory): Readings =>
  Object.fromEntries(
    attributesOf(category, startingGradingLimits).map((attribute) => [
      attribute.id,
      attribute.kind === 'number'
        ? attribute.better === 'higher'
          ? attribute.high
          : attribute.low
        : (attribute.choices.find(({ grade }) => grade === 'A')?.id ?? ''),
    ]),
  );
