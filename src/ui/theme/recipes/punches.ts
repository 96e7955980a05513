import { defineRecipe } from '@chakra-ui/react';

/** A grade: its letter and four holes, of which some are punched. */
export const punchesRecipe = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '3px',
    fontFamily: 'mono',
    fontWeight: '700',
    '& > b': { marginInlineEnd: '2px' },
    '& > i': { borderRadius: 'full', borderStyle: 'solid', borderColor: 'ink' },
    '& > i[data-filled]': { bg: 'ink' },
  },
  variants: {
    size: {
      small: { fontSize: '15px', '& > i': { w: '8px', h: '8px', borderWidth: '1.5px' } },
      large: { fontSize: '30px', '& > i': { w: '16px', h: '16px', borderWidth: '2.5px' } },
    },
    cut: { yes: { textDecoration: 'line-through' }, no: {} },
  },
});
