import { defineRecipe } from '@chakra-ui/react';

export const keyCapRecipe = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    minW: '22px',
    h: '22px',
    px: '6px',
    borderRadius: 'soft',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'rule',
    borderBottomWidth: '2px',
    bg: 'sheet',
    color: 'ink',
    fontFamily: 'mono',
    fontSize: '12px',
    fontWeight: '700',
    flexShrink: 0,
  },
});
