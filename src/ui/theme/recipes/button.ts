import { defineRecipe } from '@chakra-ui/react';

export const buttonRecipe = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '10px',
    borderRadius: 'soft',
    borderWidth: '1px',
    borderStyle: 'solid',
    cursor: 'pointer',
    fontWeight: '600',
    textAlign: 'start',
    lineHeight: '1.15',
    userSelect: 'none',
    _disabled: { opacity: 0.45, cursor: 'not-allowed' },
  },
  variants: {
    look: {
      action: { bg: 'action', color: 'onAction', borderColor: 'action', _hover: { opacity: 0.92 } },
      outline: { bg: 'sheet', color: 'action', borderColor: 'action', _hover: { bg: 'actionSoft' } },
      quiet: { bg: 'transparent', color: 'ink', borderColor: 'rule', _hover: { bg: 'sunk' } },
      danger: { bg: 'transparent', color: 'danger', borderColor: 'rule', _hover: { bg: 'dangerSoft' } },
      sound: { bg: 'soundSoft', color: 'ink', borderColor: 'sound' },
      fault: { bg: 'dangerSoft', color: 'danger', borderColor: 'danger' },
    },
    size: {
      small: { minH: '36px', px: '12px', fontSize: '15px' },
      target: { minH: 'target', px: '14px', fontSize: '16px' },
      bench: { minH: '50px', px: { base: '8px', xl: '12px' }, gap: { base: '7px', xl: '10px' }, fontSize: '16px' },
      wide: { minH: '50px', px: '20px', fontSize: '20px', fontWeight: '700' },
    },
  },
  defaultVariants: { look: 'quiet', size: 'target' },
});
