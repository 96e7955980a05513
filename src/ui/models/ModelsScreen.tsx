'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { allFeatures } from '@/core/procedure/features';
import type { ModelCard } from '@/core/library/modelCard';
import { deviceKinds } from '@/core/procedure/vocabulary';
import type { Refusal } from '@/core/shared/outcome';
import type { Unfinished } from '@/services/drafts/readDrafts';
import type { LibraryView } from '@/services/models/findModels';
import type { OfferedModel } from '@/services/models/readOffered';
import type { ModelPreview } from '@/services/models/previewModel';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Input, Select } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { Nothing } from '@/ui/base/Nothing';
import { ListRow } from '@/ui/base/ListRow';
import { RowLink } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { Refused } from '@/ui/base/Refused';
import { ImportDialog } from './ImportDialog';
import { NewModelDialog } from './NewModelDialog';
import { OfferedModels } from './OfferedModels';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/models';
import { featureNames, kindNames } from '@/words/say/names';

interface ModelsProps {
  readonly library: LibraryView;
  readonly unfinished: Unfinished;
  readonly mayWrite: boolean;
  readonly mayLog: boolean;
  /** Shipped models that the library does not have. */
  readonly offered: readonly OfferedModel[];
}

const onlyThis = { kind: words.kind(), maker: words.maker(), feature: words.feature() } as const;
const noFilter = { text: '', kind: '', maker: '', feature: '' };

/** How does it come apart? The library, found by any name, and the ways in for a new model. */
export function ModelsScreen({ library: first, unfinished, mayWrite, mayLog, offered }: ModelsProps) {
  const router = useRouter();
  const [query, setQuery] = useState(noFilter);
  const library = useLibrary(first, query);
  const search = useRef<HTMLInputElement>(null);
  const { chosen, choose } = useChosen(library.cards.map(({ id }) => id));
  const [compared, setCompared] = useState<string | null>(null);
  const [begins, setBegins] = useState<'draft' | 'opening' | null>(null);
  useKey('Enter', words.openModel(), () => router.push(`/models/${chosen}`), chosen !== undefined);
  useKey('f', words.findModel(), () => search.current?.focus());
  const compare = () => {
    if (chosen === undefined) return;
    if (compared === null || compared === chosen) return setCompared(compared === chosen ? null : chosen);
    router.push(`/models/${compared}/compare/${chosen}`);
  };
  const nameOf = (id: string | null) => library.cards.find((card) => card.id === id)?.name;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 320px' }}
      gridTemplateRows={{ lg: 'minmax(0, 1fr)' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Box p="24px 28px" minW="0" overflowY="auto">
        <Headline lead={leadOf(library, query.text !== '')}>
          {words.noModelsInLibrary({ total: library.total })}
        </Headline>
        {mayWrite && offered.length > 0 && <OfferedModels offered={offered} isFirst={library.total === 0} />}
        <Filters query={query} makers={library.makers} search={search} onChange={setQuery} />
        {library.cards.length === 0 && library.total > 0 && <Nothing>{words.noModelMatchesFewerLetters()}</Nothing>}
        <Box as="ul" mt="10px" aria-label={words.models()}>
          {library.cards.map((card) => (
            <li key={card.id}>
              <ListRow
                isChosen={card.id === chosen}
                state={card.id === chosen ? 'chosen' : 'plain'}
                minH="58px"
                aria-pressed={card.id === chosen}
                onClick={() => (card.id === chosen ? router.push(`/models/${card.id}`) : choose(card.id))}
              >
                <CardLine card={card} />
              </ListRow>
            </li>
          ))}
        </Box>
      </Box>
      <SidePanel>
        <Unfinishings unfinished={unfinished} mayWrite={mayWrite} />
        <Box mt="auto" pt="20px" display="grid" gap="10px">
          <KeyButton
            keyName="c"
            label={compared === null ? words.compare() : words.compareWith2({ first: nameOf(compared) ?? 'first' })}
            isEnabled={chosen !== undefined}
            look={compared === null ? 'quiet' : 'outline'}
            onPress={compare}
          />
          {mayWrite && <ImportButton />}
          {mayWrite && <KeyButton keyName="n" label={words.newModel()} onPress={() => setBegins('draft')} />}
          {mayLog && (
            <KeyButton
              keyName="o"
              label={words.firstOpening()}
              look="action"
              size="wide"
              onPress={() => setBegins('opening')}
            />
          )}
        </Box>
      </SidePanel>
      {begins && <NewModelDialog begins={begins} onClose={() => setBegins(null)} />}
    </Box>
  );
}

/** The answer to what is typed, a moment after the last key; until then the one before. */
function useLibrary(first: LibraryView, query: typeof noFilter): LibraryView {
  const [answer, setAnswer] = useState<{ readonly query: typeof noFilter; readonly view: LibraryView } | null>(null);
  const isUnasked = Object.values(query).every((value) => value === '');
  useEffect(() => {
    if (isUnasked) return undefined;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      const asked = new URLSearchParams(query);
      void send<LibraryView>('GET', `/api/models/find?${asked}`, undefined, stop.signal).then((found) => {
        if (found.ok) setAnswer({ query, view: found.value });
      });
    }, 80);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [query, isUnasked]);
  return isUnasked || answer === null ? first : answer.view;
}

function leadOf({ found, cards }: LibraryView, isAsked: boolean): string {
  if (isAsked)
    return words.modelFound({
      found,
      cards: found > cards.length ? words.bestShown({ cards: cards.length }) : '',
    });
  return words.eachModelDocumentThatChecked();
}

function Filters({
  query,
  makers,
  search,
  onChange,
}: {
  readonly query: typeof noFilter;
  readonly makers: readonly string[];
  readonly search: React.RefObject<HTMLInputElement | null>;
  readonly onChange: (query: typeof noFilter) => void;
}) {
  const choices = [
    ['kind', words.anyKind(), deviceKinds.map((kind) => [kind, kindNames[kind]])],
    ['maker', words.anyMaker(), makers.map((maker) => [maker, maker])],
    ['feature', words.anyFeature(), allFeatures.map((feature) => [feature, featureNames[feature]])],
  ] as const;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: '1fr 1fr', xl: 'minmax(180px, 1fr) 130px 140px 200px' }}
      gap="10px"
    >
      <Box position="relative">
        <Input
          ref={search}
          aria-label={words.findByAnyNamePart()}
          placeholder={words.anyNamePartOrFeature()}
          value={query.text}
          onChange={(event) => onChange({ ...query, text: event.currentTarget.value })}
          onKeyDown={(event) => {
            if (event.key === 'Escape' || event.key === 'Enter') event.currentTarget.blur();
          }}
        />
        <Box position="absolute" right="10px" top="9px">
          <KeyCap name="f" />
        </Box>
      </Box>
      {choices.map(([field, none, offered]) => (
        <Select
          key={field}
          aria-label={words.onlyThis({ field: onlyThis[field] })}
          value={query[field]}
          onChange={(event) => onChange({ ...query, [field]: event.currentTarget.value })}
        >
          <option value="">{none}</option>
          {offered.map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </Select>
      ))}
    </Box>
  );
}

function CardLine({ card }: { readonly card: ModelCard }) {
  const features = card.features.map((feature) => featureNames[feature]);
  return (
    <>
      <KeyCap name={card.letters} />
      <Box flex="1" minW="0">
        <Box textStyle="list" fontWeight="600">
          {card.maker} {card.name}
        </Box>
        <Box textStyle="note" color="inkMuted" truncate title={list(features)}>
          {words.version4({
            kind: kindNames[card.kind],
            version: card.version,
            features: list(features.slice(0, 4)),
          })}
        </Box>
      </Box>
      <Box color="inkMuted" textAlign="end" whiteSpace="nowrap">
        {words.steps({ operations: card.operations, minutesValue: card.minutes })}
        <Box textStyle="note">{words.partsScrews({ parts: card.parts, screws: card.screws })}</Box>
      </Box>
    </>
  );
}

function Unfinishings({ unfinished, mayWrite }: { readonly unfinished: Unfinished; readonly mayWrite: boolean }) {
  const { drafts, openings } = unfinished;
  return (
    <Section title={words.drafts()} note={String(drafts.length + openings.length)}>
      {drafts.length + openings.length === 0 && (
        <Box pt="8px" color="inkMuted">
          {words.noOpenDraftsPressE()}
        </Box>
      )}
      <Box as="ul" maxH="300px" overflowY="auto">
        {openings.map(({ id, name, startedBy }) => (
          <li key={id}>
            <RowLink href={`/models/opening/${id}`} prefetch={false} press="yes">
              <Box>
                {name}
                <Box textStyle="note" color="inkMuted">
                  {words.firstOpening2({ startedBy })}
                </Box>
              </Box>
            </RowLink>
          </li>
        ))}
        {mayWrite &&
          drafts.map(({ id, name, savedBy }) => (
            <li key={id}>
              <RowLink href={`/models/drafts/${id}`} prefetch={false} press="yes">
                <Box>
                  {name}
                  <Box textStyle="note" color="inkMuted">
                    {words.draftSavedBy({ savedBy })}
                  </Box>
                </Box>
              </RowLink>
            </li>
          ))}
      </Box>
    </Section>
  );
}

function ImportButton() {
  const file = useRef<HTMLInputElement>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [shown, setShown] = useState<{ readonly text: string; readonly preview: ModelPreview } | null>(null);
  const look = async (picked: File | undefined) => {
    if (!picked) return;
    setRefusal(null);
    const text = await picked.text();
    const outcome = await send<ModelPreview>('POST', '/api/models/preview', text);
    if (outcome.ok) setShown({ text, preview: outcome.value });
    else setRefusal(outcome.refusal);
    if (file.current) file.current.value = '';
  };
  return (
    <>
      <KeyButton keyName="i" label={words.importModel()} onPress={() => file.current?.click()} />
      <input
        ref={file}
        type="file"
        accept="application/json,.json"
        hidden
        aria-label={words.modelDocument()}
        onChange={(event) => void look(event.currentTarget.files?.[0])}
      />
      {refusal && (
        <Caution what={words.notRead()}>
          <Refused refusal={refusal} />
        </Caution>
      )}
      {shown && <ImportDialog {...shown} onClose={() => setShown(null)} />}
    </>
  );
}
