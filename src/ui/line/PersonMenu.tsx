'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useTheme } from 'next-themes';
import { useState } from 'react';
import { isAtLeastRole, type Person } from '@/core/people/roles';
import { Button, ButtonLink } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { useKey } from '@/ui/keys/KeysProvider';
import { roleNames } from '@/words/say/names';
import * as words from '@/words/catalogue/line';

const Plain = chakra(
  'button',
  {
    base: {
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

/** Who is here, and the few things that belong to no stage: light, models, yield, leaving. */
export function PersonMenu({ person }: { readonly person: Person }) {
  const [isOpen, setOpen] = useState(false);
  const { resolvedTheme, setTheme } = useTheme();
  const turnLight = () => setTheme(resolvedTheme === 'dark' ? 'light' : 'dark');
  useKey('\\', words.switchThemeLightDark(), turnLight);
  return (
    <>
      <Plain onClick={() => setOpen(true)} aria-haspopup="dialog" mt="7px">
        <Box as="span" display="flex" justifyContent="space-between" gap="8px">
          <span>
            <strong>{person.name}</strong>{' '}
            <Box as="span" color="inkMuted">
              {roleNames[person.role]}
            </Box>
          </span>
          <Box as="span" color="inkMuted">
            {person.bench.replace('-', ' ')}
          </Box>
        </Box>
      </Plain>
      {isOpen && (
        <Dialog title={`${person.name}, ${roleNames[person.role]}`} onClose={() => setOpen(false)}>
          <Box display="grid" gap="10px">
            <ButtonLink href="/yield" onClick={() => setOpen(false)}>
              {words.yieldWherePartsTimeAnd()}
            </ButtonLink>
            <ButtonLink href="/models" onClick={() => setOpen(false)}>
              {words.modelsHowEachOneComes()}
            </ButtonLink>
            {isAtLeastRole(person.role, 'lead') && (
              <ButtonLink href="/rules" onClick={() => setOpen(false)}>
                {words.houseRules()}
              </ButtonLink>
            )}
            <Button onClick={turnLight}>
              {words.lightTheme({ isResolvedThemeDark: resolvedTheme === 'dark' ? 'yes' : 'no' })}
            </Button>
            <chakra.form action="/sign-out" method="post">
              <Button type="submit" w="100%">
                {words.signOut()}
              </Button>
            </chakra.form>
          </Box>
        </Dialog>
      )}
    </>
  );
}
