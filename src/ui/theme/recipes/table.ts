import { defineRecipe } from '@chakra-ui/react';

/** A ruled table: heads small and muted, figures to the right, no boxes. */
export const tableRecipe = defineRecipe({
  base: {
    '& th': {
      textAlign: 'start',
      fontSize: '13px',
      fontWeight: '600',
      color: 'inkMuted',
      px: '8px',
      py: '8px',
      whiteSpace: 'nowrap',
    },
    '& td': {
      px: '8px',
      py: '8px',
      borderTopWidth: '1px',
      borderTopStyle: 'solid',
      borderColor: 'rule',
      verticalAlign: 'middle',
    },
    '& th[data-figure], & td[data-figure]': { textAlign: 'end', whiteSpace: 'nowrap' },
    '& td[data-code]': { fontFamily: 'mono', fontWeight: '700' },
    '& td[data-muted]': { color: 'inkMuted' },
    '& tr[data-chosen] td': { bg: 'actionSoft' },
  },
});
