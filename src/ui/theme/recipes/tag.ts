import { defineRecipe } from '@chakra-ui/react';

/** A small luggage label: eyelet, code, one line of fact. */
export const tagRecipe = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '10px',
    minH: '38px',
    px: '10px',
    maxW: '100%',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'rule',
    borderRadius: 'soft',
    whiteSpace: 'nowrap',
    overflow: 'hidden',
    '& > i': {
      w: '13px',
      h: '13px',
      borderRadius: 'full',
      borderWidth: '2px',
      borderStyle: 'solid',
      borderColor: 'twine',
      bg: 'paper',
      flexShrink: 0,
    },
    '& > b': { textStyle: 'code' },
    '& > small': { textStyle: 'note', color: 'inkMuted', overflow: 'hidden', textOverflow: 'ellipsis' },
  },
});
