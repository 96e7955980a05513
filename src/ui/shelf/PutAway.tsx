'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Part } from '@/core/entities/entities';
import type { ShelfView } from '@/services/shelf/readShelf';
import { Caution } from '@/ui/base/Caution';
import { Punches } from '@/ui/base/Punches';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Row } from '@/ui/base/Row';
import { Tag } from '@/ui/base/Tag';
import type { Shop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as texts from '@/words/catalogue/shelf';
import { Carried } from './Carried';
import { OtherBin } from './OtherBin';

/** Parts that wait for a bin, each with the one it should go in; a person may name another. */
export function PutAway({
  waiting,
  kinds,
  isLead,
  shop,
}: {
  readonly waiting: readonly { readonly part: Part; readonly bin: string | null }[];
  readonly kinds: ShelfView['kinds'];
  readonly isLead: boolean;
  readonly shop: Shop;
}) {
  const { chosen, choose } = useChosenThing(waiting.map(({ part }) => part.id));
  const { shown, ...more } = useGrowing(waiting, ({ part }) => part.id === chosen);
  const [isAsking, setAsking] = useState(false);
  const store = (id: string, bin: string) => void shop.act('part-shelved', id, { bin });
  const homeless = waiting.filter(({ part, bin }) => part.isDataCleared && bin === null).length;
  const now = waiting.find(({ part }) => part.id === chosen)?.part;
  return (
    <>
      {homeless > 0 && (
        <Caution tone="waiting" what={texts.noneFits({ waiting: homeless })}>
          {isLead ? texts.addRackWith() : texts.askLead()}
        </Caution>
      )}
      <Box as="ul">
        {shown.map(({ part, bin }) => {
          const isChosen = part.id === chosen;
          const kind = kinds[`${part.modelId}/${part.partRef}`];
          return (
            <Row
              key={part.id}
              state={isChosen ? 'chosen' : 'plain'}
              minH="64px"
              flexWrap={{ base: 'wrap', sm: 'nowrap' }}
              onClick={() => choose(part.id)}
            >
              <Box w="130px">
                <Tag code={part.tag} href={`/t/${part.tag}`} />
              </Box>
              <Box flex="1">
                {kind?.modelName} {kind?.name}
                <Carried part={part} kinds={kinds} />
                <Box textStyle="note" color="inkMuted">
                  {kind?.handling}
                </Box>
              </Box>
              {part.grade && <Punches grade={part.grade} />}
              <Box minW="210px" display="flex" justifyContent="flex-end" alignItems="center" gap="8px">
                {!(isChosen && bin) && <Box color="inkMuted">{sayBin(part, bin)}</Box>}
                {isChosen && part.isDataCleared && (
                  <KeyButton records keyName="b" label={texts.otherBin()} onPress={() => setAsking(true)} />
                )}
                {isChosen && bin && (
                  <KeyButton
                    records
                    keyName=" "
                    label={texts.into({ bin })}
                    look="action"
                    onPress={() => store(part.id, bin)}
                  />
                )}
                {isChosen && !part.isDataCleared && (
                  <KeyButton
                    records
                    keyName="x"
                    label={texts.destroyAndScrap()}
                    look="danger"
                    onPress={() => void shop.act('part-scrapped', part.id, { because: texts.storageDestroyed() })}
                  />
                )}
              </Box>
            </Row>
          );
        })}
      </Box>
      <MoreRows {...more} />
      {isAsking && now && (
        <OtherBin
          part={now}
          onStore={(bin) => {
            setAsking(false);
            store(now.id, bin);
          }}
          onClose={() => setAsking(false)}
        />
      )}
    </>
  );
}

const sayBin = ({ isDataCleared }: Part, bin: string | null): string =>
  bin ? texts.intoBin({ bin }) : isDataCleared ? texts.noRoom() : texts.notForShelf();
