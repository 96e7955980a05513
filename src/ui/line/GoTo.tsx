'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useTheme } from 'next-themes';
import { useRouter } from 'next/navigation';
import { lineStages } from '@/core/entities/stages';
import { isAtLeastRole, type Person } from '@/core/people/roles';
import { Button, ButtonLink } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { KeyCap } from '@/ui/base/KeyCap';
import { KeyLayer, useKey } from '@/ui/keys/KeysProvider';
import { lineStageNames, roleNames } from '@/words/say/names';
import * as words from '@/words/catalogue/line';

interface Place {
  readonly keyName: string;
  readonly path: string;
  readonly name: string;
}

const stages: readonly Place[] = lineStages.map((stage, at) => ({
  keyName: String(at + 1),
  path: `/${stage}`,
  name: lineStageNames[stage],
}));

const pages: readonly Place[] = [
  { keyName: 't', path: '/', name: words.todayWhatNeedsMe() },
  { keyName: 'y', path: '/yield', name: words.yieldWherePartsTimeAnd() },
  { keyName: 'h', path: '/history', name: words.historyWhatHappened() },
  { keyName: 'm', path: '/models', name: words.modelsHowEachOneComes() },
];

const leadPages: readonly Place[] = [
  { keyName: 'r', path: '/rules', name: words.houseRules() },
  { keyName: 'c', path: '/prices', name: words.pricesMenu() },
  { keyName: 'p', path: '/people', name: words.peopleMenu() },
  { keyName: 'b', path: '/shelf/racks', name: words.racksMenu() },
  { keyName: 's', path: '/contacts', name: words.contactsMenu() },
  { keyName: 'd', path: '/exports', name: words.exportsMenu() },
  { keyName: 'a', path: '/machine', name: words.machineMenu() },
];

/** Everywhere one can go, each place with its key: stages by digit, the rest by letter; and light, and leaving. */
export function GoTo({ person, onClose }: { readonly person: Person; readonly onClose: () => void }) {
  const { resolvedTheme, setTheme } = useTheme();
  const isDark = resolvedTheme === 'dark';
  const others = isAtLeastRole(person.role, 'lead') ? [...pages, ...leadPages] : pages;
  return (
    <KeyLayer>
      <Dialog title={words.goTo()} onClose={onClose}>
        <Box display="grid" gridTemplateColumns={{ base: 'minmax(0, 1fr)', md: '170px minmax(0, 1fr)' }} gap="20px">
          <Box as="nav" aria-label={words.theLine()} display="grid" gap="6px" alignContent="start">
            {stages.map((place) => (
              <PlaceLink key={place.path} {...place} onGo={onClose} />
            ))}
          </Box>
          <Box display="grid" gap="6px" alignContent="start">
            <Box as="nav" aria-label={words.otherPages()} display="grid" gap="6px">
              {others.map((place) => (
                <PlaceLink key={place.path} {...place} onGo={onClose} />
              ))}
            </Box>
            <Box textStyle="note" color="inkMuted" mt="14px">
              {words.signedInAs({ name: person.name, role: roleNames[person.role] })}
            </Box>
            <Button size="small" onClick={() => setTheme(isDark ? 'light' : 'dark')}>
              <KeyCap name="\" />
              {words.lightTheme({ isResolvedThemeDark: isDark ? 'yes' : 'no' })}
            </Button>
            <chakra.form action="/sign-out" method="post">
              <Button type="submit" size="small" w="100%">
                {words.signOut()}
              </Button>
            </chakra.form>
          </Box>
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

function PlaceLink({ keyName, path, name, onGo }: Place & { readonly onGo: () => void }) {
  const router = useRouter();
  useKey(keyName, name, () => {
    onGo();
    router.push(path);
  });
  return (
    <ButtonLink href={path} size="small" justifyContent="flex-start" onClick={onGo}>
      <KeyCap name={keyName} />
      {name}
    </ButtonLink>
  );
}
