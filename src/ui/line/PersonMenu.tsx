'use client';
import { Box, chakra } from '@chakra-ui/react';
import { Menu } from 'lucide-react';
import { useTheme } from 'next-themes';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Person } from '@/core/people/roles';
import { KeyCap } from '@/ui/base/KeyCap';
import { useKey } from '@/ui/keys/KeysProvider';
import * as words from '@/words/catalogue/line';

const GoTo = dynamic(() => import('./GoTo').then((module) => module.GoTo));

const Plain = chakra(
  'button',
  {
    base: {
      display: 'flex',
      alignItems: 'center',
      gap: '8px',
      bg: 'transparent',
      border: 'none',
      p: '0',
      cursor: 'pointer',
      fontSize: '14px',
      w: '100%',
      textAlign: 'start',
      borderRadius: 'soft',
    },
  },
  { defaultProps: { type: 'button' } },
);

/** Who is here and where, and the door to everywhere else. */
export function PersonMenu({ person, benchName }: { readonly person: Person; readonly benchName: string }) {
  const [isOpen, setOpen] = useState(false);
  const { resolvedTheme, setTheme } = useTheme();
  useKey('\\', words.switchThemeLightDark(), () => setTheme(resolvedTheme === 'dark' ? 'light' : 'dark'));
  useKey('.', words.goTo(), () => setOpen(true));
  return (
    <>
      <Plain onClick={() => setOpen(true)} aria-haspopup="dialog" aria-keyshortcuts="." mt="7px">
        <Menu size={18} aria-label={words.goTo()} />
        <Box as="span" flex="1" minW="0" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
          <strong>{person.name}</strong>{' '}
          <Box as="span" color="inkMuted">
            {benchName}
          </Box>
        </Box>
        <KeyCap name="." />
      </Plain>
      {isOpen && <GoTo person={person} onClose={() => setOpen(false)} />}
    </>
  );
}
