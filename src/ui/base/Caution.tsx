'use client';
import { Box, chakra } from '@chakra-ui/react';
import { CircleCheck, Hourglass, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';
import { cautionRecipe } from '@/ui/theme/recipes/caution';
import * as texts from '@/words/catalogue/base';

const Bar = chakra('div', cautionRecipe);
const symbols = { danger: TriangleAlert, waiting: Hourglass, sound: CircleCheck } as const;
const words = { danger: texts.caution(), waiting: texts.waiting(), sound: texts.good() } as const;

/** What can happen, then what to do; with its symbol and the word for those who cannot see it. */
export function Caution({
  tone = 'danger',
  what,
  children,
}: {
  readonly tone?: keyof typeof symbols;
  readonly what: string;
  readonly children?: ReactNode;
}) {
  const Symbol = symbols[tone];
  return (
    <Bar tone={tone}>
      <Box flexShrink={0} display="flex">
        <Symbol size={26} aria-label={words[tone]} />
      </Box>
      <Box>
        <strong>{what}</strong> {children}
      </Box>
    </Bar>
  );
}
