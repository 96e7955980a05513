import { defineRecipe } from '@chakra-ui/react';

/** One hole of a punched grade. */
export const punchRecipe = defineRecipe({
  base: { borderRadius: 'full', borderWidth: '1.5px', borderStyle: 'solid', borderColor: 'ink' },
  variants: {
    size: { small: { w: '8px', h: '8px' }, large: { w: '16px', h: '16px', borderWidth: '2.5px' } },
    state: { filled: { bg: 'ink' }, open: { bg: 'transparent' } },
  },
});
