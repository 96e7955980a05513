import { defineRecipe } from '@chakra-ui/react';

/** One step on the thread of a run sheet. The thread itself is the line at the left edge. */
export const threadLineRecipe = defineRecipe({
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '10px',
    minH: '37px',
    ps: '20px',
    pe: '10px',
    py: '4px',
    fontSize: '15px',
    lineHeight: '1.2',
    listStyle: 'none',
    backgroundImage: 'linear-gradient(var(--chakra-colors-twine), var(--chakra-colors-twine))',
    backgroundSize: '2.5px 100%',
    backgroundPosition: '28.75px 0',
    backgroundRepeat: 'no-repeat',
  },
  variants: {
    when: {
      done: { color: 'inkMuted' },
      now: { bgColor: 'action', color: 'onAction', fontWeight: '700', fontSize: '16px', minH: '44px' },
      later: {},
    },
    gate: { yes: { fontWeight: '700', color: 'danger' }, no: {} },
  },
  compoundVariants: [{ when: 'now', gate: 'yes', css: { color: 'onAction' } }],
});
