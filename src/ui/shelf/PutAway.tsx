'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { Part } from '@/core/entities/entities';
import type { ShelfView } from '@/services/shelf/readShelf';
import { Caution } from '@/ui/base/Caution';
import { Punches } from '@/ui/base/Punches';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Row } from '@/ui/base/Row';
import { Tag } from '@/ui/base/Tag';
import type { Shop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { readBinCode } from '@/core/shelf/binCode';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useOwnTags, useScannedCode } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/shelf';
import { Carried } from './Carried';
import { binFor } from './binFor';
import { OtherBin } from './OtherBin';

/** Parts that wait for a bin, each with the one it should go in; a person may name another. */
export function PutAway({
  waiting,
  kinds,
  isLead,
  shop,
  onInHand,
}: {
  readonly waiting: readonly { readonly part: Part; readonly bin: string | null }[];
  readonly kinds: ShelfView['kinds'];
  readonly isLead: boolean;
  readonly shop: Shop;
  /** Told which part is in hand, so that its box can be shown. */
  readonly onInHand: (id: string | null) => void;
}) {
  const { chosen, choose } = useChosenThing(waiting.map(({ part }) => part.id));
  useEffect(() => onInHand(chosen ?? null), [chosen, onInHand]);
  const { shown, ...more } = useGrowing(waiting, ({ part }) => part.id === chosen);
  const [isAsking, setAsking] = useState(false);
  const store = (id: string, bin: string) => void shop.act('part-shelved', id, { bin });
  const now = waiting.find(({ part }) => part.id === chosen)?.part;
  const [refused, setRefused] = useState<string | null>(null);
  // A part's label takes it in hand; a bin's label puts it there.
  useOwnTags((tag) => {
    const found = waiting.find(({ part }) => part.tag === tag);
    if (found) choose(found.part.id);
    return found !== undefined;
  });
  useScannedCode((code) => {
    const bin = readBinCode(code);
    if (bin === null || !now) return setRefused(texts.noBinOnLabel({ code: code.slice(0, 20) }));
    return void binFor(bin, now).then((outcome) => {
      setRefused(outcome.ok ? null : outcome.fault);
      if (outcome.ok) store(now.id, outcome.bin);
    });
  });
  const homeless = waiting.filter(({ part, bin }) => part.isDataCleared && bin === null).length;
  return (
    <>
      {homeless > 0 && (
        <Caution tone="waiting" what={texts.noneFits({ waiting: homeless })}>
          {isLead ? texts.addRackWith() : texts.askLead()}
        </Caution>
      )}
      <Box role="alert" color="danger" minH={refused ? '28px' : '0'}>
        {refused}
      </Box>
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
