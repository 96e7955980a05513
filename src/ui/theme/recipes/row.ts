import { defineRecipe } from '@chakra-ui/react';

/** A line of a list, ruled below; the chosen one is tinted. */
export const rowRecipe = defineRecipe({
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '12px',
    minH: '46px',
    px: '14px',
    py: '6px',
    borderBottomWidth: '1px',
    borderBottomStyle: 'solid',
    borderColor: 'rule',
    w: '100%',
    textAlign: 'start',
    bg: 'transparent',
  },
  variants: {
    state: {
      chosen: { bg: 'actionSoft' },
      now: { bg: 'action', color: 'onAction' },
      plain: {},
      faint: { color: 'inkMuted' },
    },
    press: { yes: { cursor: 'pointer', _hover: { bg: 'sunk' } }, no: {} },
  },
  compoundVariants: [{ state: 'now', press: 'yes', css: { _hover: { bg: 'action' } } }],
  defaultVariants: { state: 'plain', press: 'no' },
});
