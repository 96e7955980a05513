import { startingGradingRules } from '@/core/shared/gradingRules';
import { attributesOf, type Gradable, type Readings } from '@/core/grading/attributes';

/** Readings of a part that nothing speaks against. */
export const bestReadings = (part: Pick<Gradable, 'category' | 'reuse'>): Readings =>
  Object.fromEntries(
    attributesOf({ interchange: '', ...part }, startingGradingRules).map((attribute) => [
      attribute.id,
      attribute.kind === 'number'
        ? attribute.better === 'higher'
          ? attribute.high
          : attribute.low
        : (attribute.choices.find(({ grade }) => grade === 'A')?.id ?? ''),
    ]),
  );
