'use client';
import { Box, chakra } from '@chakra-ui/react';
import { punches } from '@/core/grading/gradePart';
import type { Grade } from '@/core/shared/grades';
import { punchRecipe } from '@/ui/theme/recipes/punch';
import * as words from '@/words/catalogue/base';

const Hole = chakra('span', punchRecipe);

/** A grade as its letter and four punch holes, filled from the left. X has none, and its label is cut. */
export function Punches({ grade, size = 'small' }: { readonly grade: Grade; readonly size?: 'small' | 'large' }) {
  const filled = punches(grade);
  return (
    <Box
      as="span"
      role="img"
      aria-label={words.grade({ grade })}
      display="inline-flex"
      alignItems="center"
      gap="3px"
      fontFamily="mono"
      fontWeight="700"
      fontSize={size === 'large' ? '30px' : '15px'}
      textDecoration={grade === 'X' ? 'line-through' : undefined}
    >
      <Box as="span" me="2px" aria-hidden>
        {grade}
      </Box>
      {[0, 1, 2, 3].map((at) => (
        <Hole key={at} state={at < filled ? 'filled' : 'open'} size={size} aria-hidden />
      ))}
    </Box>
  );
}
