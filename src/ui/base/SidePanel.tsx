'use client';
import { chakra } from '@chakra-ui/react';

/** The raised right edge of a screen: the evidence, and at its foot the one action. */
export const SidePanel = chakra('div', {
  base: {
    bg: 'sheet',
    borderInlineStartWidth: '1px',
    borderInlineStartStyle: 'solid',
    borderColor: 'rule',
    p: '20px',
    display: 'flex',
    flexDirection: 'column',
    gap: '18px',
  },
});
