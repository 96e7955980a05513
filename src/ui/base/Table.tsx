'use client';
import { Box, chakra } from '@chakra-ui/react';
import type { ComponentProps } from 'react';
import { tableRecipe } from '@/ui/theme/recipes/table';

const Plain = chakra('table', tableRecipe);

/** A table; where the window is too narrow for it, it is pushed sideways by itself. */
export function Table(props: ComponentProps<typeof Plain>) {
  return (
    <Box overflowX={{ base: 'auto', md: 'visible' }}>
      <Plain {...props} />
    </Box>
  );
}
