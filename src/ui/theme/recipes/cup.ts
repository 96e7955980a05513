import { defineRecipe } from '@chakra-ui/react';

/** A cup of the screw tray. */
export const cupRecipe = defineRecipe({
  base: {
    position: 'relative',
    minH: '62px',
    p: '7px 9px',
    borderRadius: 'cup',
    bg: 'sunk',
    borderWidth: '2px',
    borderStyle: 'solid',
    borderColor: 'transparent',
    fontSize: '12px',
  },
  variants: {
    state: {
      active: { borderColor: 'action', bg: 'actionSoft' },
      filled: {},
      next: { borderColor: 'twine', borderStyle: 'dashed', bg: 'sheet' },
      free: { color: 'inkMuted' },
    },
  },
});
