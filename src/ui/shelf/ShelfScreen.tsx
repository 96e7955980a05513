'use client';
import { capital, money } from '@/words/format';
import { limitingName } from '@/words/say/attributes';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useRef } from 'react';
import type { Part } from '@/core/entities/entities';
import type { ShelfView } from '@/services/shelf/readShelf';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/shelf';
import { Carried } from './Carried';
import { PutAway } from './PutAway';

/** What have we got, and where? First what waits for a bin, then the shelf. */
export function ShelfScreen({
  view,
  words,
  isLead,
}: {
  readonly view: ShelfView;
  readonly words: string;
  readonly isLead: boolean;
}) {
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
          <Box as="span" display="flex" gap="8px">
            {isLead && <KeyButton keyName="r" label={texts.racks()} onPress={() => router.push('/shelf/racks')} />}
            <KeyButton records keyName="u" label={texts.undo()} onPress={() => void shop.takeBack()} />
          </Box>
        }
      >
        {waiting.length > 0
          ? texts.noPartsToPutAway({ waiting: waiting.length })
          : texts.partsOnShelfMatch({ total: view.total, isWords: words ? 'yes' : 'no', value: words })}
      </Headline>
      {waiting.length > 0 && <PutAway waiting={waiting} kinds={view.kinds} isLead={isLead} shop={shop} />}
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
        <Carried part={part} kinds={view.kinds} />
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
