'use client';
import { Box, chakra } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { FactKind } from '@/core/shop/facts';
import type { HistoryQuery } from '@/core/shop/historyQuery';
import type { HistoryFact, HistoryView } from '@/services/history/readHistory';
import { Field } from '@/ui/base/Field';
import { Headline } from '@/ui/base/Headline';
import { Input, Select } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { clock, day as sayDay } from '@/words/format';
import { sayClock } from '@/words/say/sayClock';
import { sayFact } from '@/words/say/sayFact';
import * as words from '@/words/catalogue/history';
import { historyAddress } from './historyAddress';

const kindNames: Readonly<Record<FactKind, string>> = {
  dock: words.kindDock(),
  triage: words.kindTriage(),
  bench: words.kindBench(),
  parts: words.kindParts(),
  match: words.kindMatch(),
  sale: words.kindSale(),
  mended: words.kindMended(),
};

const WhoDidIt = dynamic(() => import('./WhoDidIt').then((module) => module.WhoDidIt));

/** What happened in the shop: by whom, where, of which kind, on which day; each line leads to its thing. */
export function HistoryScreen({ view, mayCorrect }: { readonly view: HistoryView; readonly mayCorrect: boolean }) {
  const { query, facts, next, people, benches, kinds, today, archived } = view;
  const router = useRouter();
  const ask = (change: Partial<Record<keyof HistoryQuery, string | number | undefined>>) => {
    const { before: _, ...kept } = query;
    const address = historyAddress({ ...kept, ...change } as HistoryQuery);
    router.push(`/history${address && `?${address}`}`);
  };
  const [wrong, setWrong] = useState<HistoryFact['fact'] | null>(null);
  const isAsked = Object.keys(query).length > 0;
  const days = [...new Set(facts.map(({ day }) => day))];
  return (
    <Box p="24px 28px" maxW="1180px">
      <Headline
        lead={words.historyLead()}
        aside={
          <a href={`/api/facts/export?${historyAddress({ ...query, before: undefined } as HistoryQuery)}`}>
            <Box as="span" color="action" textDecoration="underline" whiteSpace="nowrap">
              {words.exportThese()}
            </Box>
          </a>
        }
      >
        {words.history()}
      </Headline>
      <Box display="flex" gap="14px" flexWrap="wrap" alignItems="flex-end" mb="20px">
        <Field label={words.byWhom()}>
          <Select
            w="190px"
            value={query.personId ?? ''}
            onChange={({ currentTarget: { value } }) => ask({ personId: value || undefined })}
          >
            <option value="">{words.everybody()}</option>
            {people.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label={words.where()}>
          <Select
            w="160px"
            value={query.bench ?? ''}
            onChange={({ currentTarget: { value } }) => ask({ bench: value || undefined })}
          >
            <option value="">{words.everywhere()}</option>
            {benches.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label={words.ofWhichKind()}>
          <Select
            w="190px"
            value={query.kind ?? ''}
            onChange={({ currentTarget: { value } }) => ask({ kind: value || undefined })}
          >
            <option value="">{words.everything()}</option>
            {kinds.map((kind) => (
              <option key={kind} value={kind}>
                {kindNames[kind]}
              </option>
            ))}
          </Select>
        </Field>
        <Field label={words.onDay()}>
          <Input
            type="date"
            w="170px"
            max={today}
            value={query.day ?? ''}
            onChange={({ currentTarget: { value } }) => ask({ day: value || undefined })}
          />
        </Field>
        <KeyButton
          keyName="x"
          label={words.showEverything()}
          isEnabled={isAsked}
          onPress={() => router.push('/history')}
        />
      </Box>
      {facts.length === 0 && <Nothing>{words.nothingHappened()}</Nothing>}
      <Box display="grid" gap="24px">
        {days.map((day) => (
          <Section key={day} title={day === today ? words.todayDay({ day: sayDay(day) }) : sayDay(day)}>
            <Box as="ul">
              {facts
                .filter((entry) => entry.day === day)
                .map((entry) => (
                  <FactLine
                    key={entry.fact.id}
                    entry={entry}
                    onWrong={mayCorrect ? () => setWrong(entry.fact) : null}
                  />
                ))}
            </Box>
          </Section>
        ))}
      </Box>
      <Box display="flex" gap="10px" mt="20px">
        {query.before !== undefined && <KeyButton keyName="n" label={words.newest()} onPress={() => ask({})} />}
        {next !== null && (
          <KeyButton keyName=" " label={words.earlier()} look="action" onPress={() => ask({ before: next })} />
        )}
      </Box>
      {next === null && archived > 0 && (
        <Box textStyle="note" color="inkMuted" mt="20px">
          {words.inArchives({ archived })}
        </Box>
      )}
      {wrong && <WhoDidIt fact={wrong} people={people} onClose={() => setWrong(null)} />}
    </Box>
  );
}

function FactLine({
  entry: { fact },
  onWrong,
}: {
  readonly entry: HistoryFact;
  /** Asks who did it really; null for who may not say so. */
  readonly onWrong: (() => void) | null;
}) {
  const { tag, parcel } = fact;
  return (
    <Box
      as="li"
      data-fact={fact.type}
      display="flex"
      flexWrap={{ base: 'wrap', sm: 'nowrap' }}
      gap={{ base: '2px 14px', sm: '14px' }}
      py="7px"
      borderBottomWidth="1px"
      borderColor="rule"
      textDecoration={fact.isUndone ? 'line-through' : undefined}
    >
      <Box as="span" fontFamily="mono" color="inkMuted" flexShrink={0}>
        {clock(fact.at)}
      </Box>
      <Box as="span" w="104px" flexShrink={0}>
        {tag ? (
          <Link href={`/t/${tag}`} prefetch={false}>
            <Box as="span" textStyle="code" color="action">
              {tag}
            </Box>
          </Link>
        ) : null}
      </Box>
      <Box as="span" flex={{ base: '1 0 100%', sm: '1' }} minW="0">
        {sayFact(fact, fact.named)}
        {!tag && parcel && (
          <Link href={`/dock?parcel=${parcel.id}`} prefetch={false}>
            <Box as="span" color="action">
              {' '}
              {words.ofParcel({ code: parcel.code })}
            </Box>
          </Link>
        )}
      </Box>
      <Box as="span" textStyle="note" color="inkMuted" flexShrink={0} textAlign="end">
        {onWrong ? (
          <chakra.button
            type="button"
            cursor="pointer"
            color="action"
            textDecoration="underline"
            aria-label={words.correctDoer({ person: fact.person, at: clock(fact.at) })}
            onClick={onWrong}
          >
            {fact.person}
          </chakra.button>
        ) : (
          fact.person
        )}
        , {fact.bench}
        {fact.clockOffS !== null && <Box>{sayClock(fact.clockOffS)}</Box>}
        {fact.signedIn !== null && <Box>{words.signedInAs({ name: fact.signedIn })}</Box>}
      </Box>
    </Box>
  );
}
