'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { Found } from '@/services/find/findAll';
import { Headline } from '@/ui/base/Headline';
import { ListRow } from '@/ui/base/ListRow';
import { Nothing } from '@/ui/base/Nothing';
import { Section } from '@/ui/base/Section';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import * as words from '@/words/catalogue/find';
import { hitGroups } from './hits';

/** Everything that answers some words, by kind of thing. */
export function FoundScreen({ found }: { readonly found: Found }) {
  const router = useRouter();
  const groups = hitGroups(found);
  const hits = groups.flatMap((group) => group.hits.map((hit) => ({ ...hit, key: `${group.id} ${hit.id}` })));
  const total = groups.reduce((sum, group) => sum + group.total, 0);
  const { chosen, choose } = useChosen(hits.map(({ key }) => key));
  const open = () => {
    const hit = hits.find(({ key }) => key === chosen);
    if (hit) router.push(hit.path);
  };
  useKey(' ', words.openChosen(), open, hits.length > 0);
  useKey('Enter', '', open, hits.length > 0);
  return (
    <Box p="24px 28px" maxW="1100px">
      <Headline lead={words.foundLead()}>
        {total === 0 ? words.foundNothing({ text: found.text }) : words.found({ total, text: found.text })}
      </Headline>
      {total === 0 && <Nothing>{words.foundNothingSays()}</Nothing>}
      <Box display="grid" gap="24px">
        {groups.map((group) => (
          <Section
            key={group.id}
            title={group.name}
            note={
              group.all && group.total > group.hits.length ? (
                <Link href={group.all} prefetch={false}>
                  <Box as="span" color="action" textDecoration="underline">
                    {words.firstOf({ shown: group.hits.length, total: group.total })}
                  </Box>
                </Link>
              ) : group.total > group.hits.length ? (
                words.firstOf({ shown: group.hits.length, total: group.total })
              ) : (
                String(group.total)
              )
            }
          >
            <Box as="ul" mx="-14px">
              {group.hits.map((hit) => {
                const key = `${group.id} ${hit.id}`;
                return (
                  <li key={key}>
                    <ListRow
                      isChosen={key === chosen}
                      state={key === chosen ? 'chosen' : 'plain'}
                      onClick={() => {
                        choose(key);
                        router.push(hit.path);
                      }}
                    >
                      <Box as="span" fontWeight="600" minW="130px">
                        {hit.title}
                      </Box>
                      <Box as="span" textStyle="note" color="inkMuted">
                        {hit.says}
                      </Box>
                    </ListRow>
                  </li>
                );
              })}
            </Box>
          </Section>
        ))}
      </Box>
    </Box>
  );
}
