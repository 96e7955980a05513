import { defineRecipe } from '@chakra-ui/react';

export const cautionRecipe = defineRecipe({
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '14px',
    px: '16px',
    py: '10px',
    borderInlineStartWidth: '6px',
    borderInlineStartStyle: 'solid',
    fontSize: '18px',
    lineHeight: '1.3',
  },
  variants: {
    tone: {
      danger: { bg: 'dangerSoft', borderColor: 'danger', color: 'ink', '& strong, & svg': { color: 'danger' } },
      waiting: { bg: 'waitingSoft', borderColor: 'waiting', color: 'ink', '& strong, & svg': { color: 'waiting' } },
      sound: { bg: 'soundSoft', borderColor: 'sound', color: 'ink', '& strong, & svg': { color: 'sound' } },
    },
  },
  defaultVariants: { tone: 'danger' },
});
