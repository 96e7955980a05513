import { defineRecipe } from '@chakra-ui/react';

export const inputRecipe = defineRecipe({
  base: {
    minH: '44px',
    px: '12px',
    w: '100%',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'inkMuted',
    borderRadius: 'soft',
    _placeholder: { color: 'inkMuted', opacity: 1 },
    _invalid: { borderColor: 'danger' },
  },
});
