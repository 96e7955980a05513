'use client';
import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { PicksView } from '@/services/shelf/readPicks';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { Row } from '@/ui/base/Row';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useOwnTags } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/shelf';
import { Carried } from './Carried';
import { ShelfPages } from './ShelfPages';

/** What to fetch for the builds, in the order in which one walks past it; scanning a part says that it is in the hand. */
export function FetchScreen({ view }: { readonly view: PicksView }) {
  const seeds = useMemo(() => ({ models: [], parts: view.picks }), [view]);
  const shop = useShop(seeds);
  const picks = view.picks.flatMap((pick) => {
    const now = shop.parts.find(({ id }) => id === pick.id) ?? pick;
    return now.place === 'assigned' && now.bin !== null ? [{ ...now, unitTag: pick.unitTag }] : [];
  });
  const { chosen, choose } = useChosenThing(picks.map(({ id }) => id));
  const fetch = (id: string) => void shop.act('part-picked', id, {});
  useOwnTags((tag) => {
    const pick = picks.find((own) => own.tag === tag);
    if (pick) fetch(pick.id);
    return pick !== undefined;
  });
  const now = picks.find(({ id }) => id === chosen);
  const bins = new Set(picks.map(({ bin }) => bin)).size;
  return (
    <Box p={{ base: '16px', md: '18px 28px' }} maxW="1180px">
      <ShelfPages />
      <Headline
        lead={picks.length > 0 ? texts.fetchLead() : texts.fetchNothingLead()}
        aside={<KeyButton records keyName="u" size="small" label={texts.undo()} onPress={() => void shop.takeBack()} />}
      >
        {picks.length === 0
          ? texts.nothingToFetch()
          : now
            ? texts.nextGet({ bin: now.bin ?? '', left: picks.length, bins })
            : texts.nothingToFetch()}
      </Headline>
      {view.total > view.picks.length && (
        <Box mb="8px" color="inkMuted">
          {texts.oneWalk({ shown: view.picks.length, total: view.total })}
        </Box>
      )}
      {picks.length === 0 ? (
        <Nothing>{texts.whatMatchSets()}</Nothing>
      ) : (
        <Box as="ul">
          {picks.map((part, at) => {
            const kind = view.kinds[`${part.modelId}/${part.partRef}`];
            const isChosen = part.id === chosen;
            const isNewBin = at === 0 || picks[at - 1]?.bin !== part.bin;
            return (
              <Row
                key={part.id}
                state={isChosen ? 'chosen' : 'plain'}
                minH="58px"
                flexWrap={{ base: 'wrap', sm: 'nowrap' }}
                onClick={() => choose(part.id)}
              >
                <Box w="76px" fontFamily="mono" fontWeight="700" textStyle="headline" opacity={isNewBin ? 1 : 0.35}>
                  {part.bin}
                </Box>
                <Box w="130px">
                  <Tag code={part.tag} href={`/t/${part.tag}`} />
                </Box>
                <Box flex="1" minW="0">
                  {kind?.modelName} {kind?.name}
                  <Carried part={part} kinds={view.kinds} />
                </Box>
                {part.grade && <Punches grade={part.grade} />}
                <Box w="150px">
                  <Tag code={part.unitTag} href={`/t/${part.unitTag}`} />
                </Box>
                <Box minW="150px" display="flex" justifyContent="flex-end" gap="8px">
                  {isChosen && (
                    <KeyButton
                      records
                      keyName=" "
                      look="action"
                      label={texts.fetched()}
                      onPress={() => fetch(part.id)}
                    />
                  )}
                </Box>
              </Row>
            );
          })}
        </Box>
      )}
    </Box>
  );
}
