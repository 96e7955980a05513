'use client';
import { chakra } from '@chakra-ui/react';
import { punches } from '@/core/grading/gradePart';
import type { Grade } from '@/core/shared/grades';
import { punchesRecipe } from '@/ui/theme/recipes/punches';
import * as words from '@/words/catalogue/base';

const Root = chakra('span', punchesRecipe);

/**
 * A grade as its letter and four punch holes, filled from the left. X has none, and its label is cut. Lists hold many of them,
 * so it is one styled element, and what is inside is styled by it.
 */
export function Punches({ grade, size = 'small' }: { readonly grade: Grade; readonly size?: 'small' | 'large' }) {
  const filled = punches(grade);
  return (
    <Root role="img" aria-label={words.grade({ grade })} size={size} cut={grade === 'X' ? 'yes' : 'no'}>
      <b aria-hidden>{grade}</b>
      {[0, 1, 2, 3].map((at) => (
        <i key={at} data-filled={at < filled || undefined} aria-hidden />
      ))}
    </Root>
  );
}
