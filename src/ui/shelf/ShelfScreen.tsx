'use client';
import { capital, money } from '@/words/format';
import { limitingName } from '@/words/say/attributes';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useRef } from 'react';
import { carriedBy, type Part } from '@/core/entities/entities';
import type { ShelfView } from '@/services/shelf/readShelf';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import { Tag } from '@/ui/base/Tag';
import { useShop, type Shop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/shelf';

/** What have we got, and where? First what waits for a bin, then the shelf. */
export function ShelfScreen({ view, words }: { readonly view: ShelfView; readonly words: string }) {
  const router = useRouter();
  const seeds = useMemo(
    () => ({ models: [], parts: [...view.toShelve.map(({ part }) => part), ...view.parts] }),
    [view],
  );
  const shop = useShop(seeds);
  const search = useRef<HTMLInputElement>(null);
  const waiting = view.toShelve.flatMap(({ part, bin }) => {
    const now = shop.parts.find(({ id }) => id === part.id);
    return now?.place === 'to-shelve' ? [{ part: now, bin }] : [];
  });
  const stored = shop.parts.filter(({ place }) => place === 'shelf');
  const go = (page: number) => router.push(`/shelf?q=${encodeURIComponent(words)}&page=${page}`);
  useKey('s', texts.searchShelf(), () => search.current?.focus());
  useKey('ArrowRight', texts.nextPage(), () => go(view.page + 1), view.page + 1 < view.pages);
  useKey('ArrowLeft', texts.previousPage(), () => go(view.page - 1), view.page > 0);
  return (
    <Box p="24px 28px">
      <Headline
        lead={texts.binWhereSameKindStored({ isWaiting: waiting.length > 0 ? 'yes' : 'no' })}
        aside={
          <Box as="span">
            <KeyButton records keyName="u" label={texts.undo()} onPress={() => void shop.takeBack()} />
          </Box>
        }
      >
        {waiting.length > 0
          ? texts.noPartsToPutAway({ waiting: waiting.length })
          : texts.partsOnShelfMatch({ total: view.total, isWords: words ? 'yes' : 'no', value: words })}
      </Headline>
      {waiting.length > 0 && <PutAway waiting={waiting} view={view} shop={shop} />}
      <Box mt="22px">
        <Section
          title={
            words ? texts.partsMatch({ total: view.total, value: words }) : texts.partsOnShelf({ total: view.total })
          }
          note={view.pages > 1 ? texts.pageTurnWith({ page: view.page + 1, pages: view.pages }) : undefined}
        >
          <form
            onSubmit={(event) => {
              event.preventDefault();
              search.current?.blur();
              router.push(`/shelf?q=${encodeURIComponent(search.current?.value ?? '')}`);
            }}
          >
            <Input
              ref={search}
              key={words}
              defaultValue={words}
              placeholder={texts.partClassBinGradeTag()}
              aria-label={texts.searchShelf()}
              my="10px"
              maxW="420px"
            />
          </form>
          {stored.length === 0 ? (
            <>
              <Nothing>{texts.nothingMatchesTryFewerWords({ isWords: words ? 'yes' : 'no' })}</Nothing>
              {!words && waiting.length === 0 && <NextPlace stage="grade" />}
            </>
          ) : (
            <Table>
              <thead>
                <tr>
                  <th>{texts.bin()}</th>
                  <th>{texts.tag()}</th>
                  <th>{texts.part()}</th>
                  <th>{texts.fits()}</th>
                  <th>{texts.grade()}</th>
                  <th>{texts.limitedBy()}</th>
                  <th data-figure>{texts.price()}</th>
                </tr>
              </thead>
              <tbody>
                {stored.map((part) => (
                  <StoredRow key={part.id} part={part} view={view} />
                ))}
              </tbody>
            </Table>
          )}
        </Section>
      </Box>
    </Box>
  );
}

function PutAway({
  waiting,
  view,
  shop,
}: {
  readonly waiting: readonly { readonly part: Part; readonly bin: string | null }[];
  readonly view: ShelfView;
  readonly shop: Shop;
}) {
  const { chosen, choose } = useChosenThing(waiting.map(({ part }) => part.id));
  return (
    <Box as="ul">
      {waiting.map(({ part, bin }) => {
        const isChosen = part.id === chosen;
        const kind = view.kinds[`${part.modelId}/${part.partRef}`];
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
              <Carried part={part} view={view} />
              <Box textStyle="note" color="inkMuted">
                {kind?.handling}
              </Box>
            </Box>
            {part.grade && <Punches grade={part.grade} />}
            <Box w="210px" display="flex" justifyContent="flex-end" gap="8px">
              {isChosen && bin && (
                <KeyButton
                  records
                  keyName=" "
                  label={texts.into({ bin })}
                  look="action"
                  onPress={() => void shop.act('part-shelved', part.id, { bin })}
                />
              )}
              {isChosen && !bin && (
                <KeyButton
                  records
                  keyName="x"
                  label={texts.scrapEveryBinFull({ isDataCleared: part.isDataCleared ? 'yes' : 'no' })}
                  look="danger"
                  onPress={() =>
                    void shop.act('part-scrapped', part.id, {
                      because: texts.noRoom({ isDataCleared: part.isDataCleared ? 'yes' : 'no' }),
                    })
                  }
                />
              )}
              {!isChosen && <Box color="inkMuted">{texts.into2({ isBin: bin ? 'yes' : 'no', bin })}</Box>}
            </Box>
          </Row>
        );
      })}
    </Box>
  );
}

/** What is still on an assembly and need not be moved to it. */
function Carried({ part, view }: { readonly part: Part; readonly view: ShelfView }) {
  const carries = carriedBy(part);
  if (carries.length === 0) return null;
  return (
    <Box as="span" color="inkMuted">
      {texts.withParts({ parts: carries.map((id) => view.kinds[`${part.modelId}/${id}`]?.name ?? id) })}
    </Box>
  );
}

function StoredRow({ part, view }: { readonly part: Part; readonly view: ShelfView }) {
  const kind = view.kinds[`${part.modelId}/${part.partRef}`];
  return (
    <tr>
      <td>
        <Box as="strong" fontFamily="mono">
          {part.bin}
        </Box>
      </td>
      <td>
        <Tag code={part.tag} href={`/t/${part.tag}`} />
      </td>
      <td>
        {kind?.name ?? part.partRef}
        <Carried part={part} view={view} />
      </td>
      <td>{kind?.modelName}</td>
      <td>{part.grade && <Punches grade={part.grade} />}</td>
      <td>
        <Box as="span" color="inkMuted">
          {part.grade === 'A' || !part.limiting ? '' : capital(limitingName(part.limiting))}
        </Box>
      </td>
      <td data-figure>
        {part.grade && kind?.valueCents[part.grade] !== undefined ? money(kind.valueCents[part.grade] as number) : ''}
      </td>
    </tr>
  );
}
