import { defineRecipe } from '@chakra-ui/react';

/** One hole of a punched grade. */
export const punchRecipe = defineRecipe({
  base: { w: '8px', h: '8px', borderRadius: 'full', borderWidth: '1.5px', borderStyle: 'solid', borderColor: 'ink' },
  variants: { state: { filled: { bg: 'ink' }, open: { bg: 'transparent' } } },
});
