'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { GradeCents } from '@/core/prices/priceList';
import { saleGrades } from '@/core/shared/grades';
import type { PricedThing, PricesView } from '@/services/prices/readPrices';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Field } from '@/ui/base/Field';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { SettingRow } from '@/ui/base/SettingRow';
import { SidePanel } from '@/ui/base/SidePanel';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { LeadPages } from '@/ui/line/LeadPages';
import { ProposalTurns } from '@/ui/rules/ProposalTurns';
import { day, money } from '@/words/format';
import { Refused } from '@/ui/base/Refused';
import * as words from '@/words/catalogue/prices';
import { PriceInputs } from './PriceInputs';
import type { ProposalsPreview } from '@/core/rules/previewRules';
import type { LookedAt } from '@/ui/server/useLookedAt';
import { keyOf, usePricesDraft } from './usePricesDraft';

/** What the shop takes for units and reckons parts at: from which day, and what would change, before it is saved. */
export function PricesScreen({ view }: { readonly view: PricesView }) {
  const router = useRouter();
  const store = useShopStore();
  const [isBusy, start] = useTransition();
  const { draft, changed, fromDay, looked, change, begin, discard, save } = usePricesDraft(view);
  // Fields that hold what cannot be read are drawn anew when the draft begins again.
  const [begun, setBegun] = useState(0);
  const beginAgain = () => {
    discard();
    setBegun((before) => before + 1);
  };
  const keep = () =>
    start(async () => {
      const outcome = await save();
      store.show(outcome.ok ? null : outcome.refusal);
      if (!outcome.ok) return;
      beginAgain();
      router.refresh();
    });
  const setAgain = (partRef: string | null, cents: GradeCents) => {
    const thing = view.things.find((each) => each.partRef === partRef);
    if (thing) change(thing, cents);
    setBegun((before) => before + 1);
  };
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 300px', xl: 'minmax(0, 1fr) 350px' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <ScrollBox label={words.prices()} p="20px 28px">
        <LeadPages />
        <Headline lead={words.lead()}>{words.prices()}</Headline>
        {view.chosen === null ? <Nothing>{words.noModels()}</Nothing> : <ModelLinks view={view} />}
        <ul>
          {view.things.map((thing) => (
            <PriceRow
              key={`${keyOf(thing)} ${begun} ${thing.since}`}
              thing={thing}
              cents={draft[keyOf(thing)] ?? thing.cents}
              isChanged={changed.includes(thing)}
              onChange={(cents) => change(thing, cents)}
            />
          ))}
        </ul>
        <Earlier view={view} onAgain={setAgain} />
      </ScrollBox>
      <SidePanel minH="0" overflowY="auto">
        <Consequences changed={changed} draft={draft} looked={looked} />
        <Box mt="auto" display="grid" gap="10px">
          <Field label={words.fromDay()}>
            <Input
              type="date"
              w="100%"
              min={view.today}
              value={fromDay}
              onChange={({ currentTarget: { value } }) => begin(value)}
            />
          </Field>
          <KeyButton keyName="u" label={words.discard()} isEnabled={changed.length > 0} onPress={beginAgain} />
          <KeyButton
            keyName=" "
            label={words.save({ count: changed.length })}
            look="action"
            size="wide"
            isEnabled={Boolean(looked?.preview) && !isBusy}
            onPress={keep}
          />
        </Box>
      </SidePanel>
    </Box>
  );
}

function ModelLinks({ view: { models, chosen } }: { readonly view: PricesView }) {
  return (
    <Box as="nav" aria-label={words.models()} display="flex" flexWrap="wrap" gap="6px 18px" mb="18px" textStyle="note">
      {models.map(({ id, name }) => (
        <Link key={id} href={`/prices?model=${id}`} prefetch={false} aria-current={id === chosen ? 'page' : undefined}>
          <Box
            as="span"
            display="inline-block"
            py="5px"
            fontWeight={id === chosen ? '700' : '400'}
            color={id === chosen ? 'ink' : 'action'}
            textDecoration={id === chosen ? undefined : 'underline'}
          >
            {name}
          </Box>
        </Link>
      ))}
    </Box>
  );
}

function PriceRow({
  thing,
  cents,
  isChanged,
  onChange,
}: {
  readonly thing: PricedThing;
  readonly cents: GradeCents;
  readonly isChanged: boolean;
  readonly onChange: (cents: GradeCents) => void;
}) {
  const standing = thing.since === null ? words.asTheModelSays() : words.since({ day: day(thing.since) });
  return (
    <SettingRow
      name={thing.partRef === null ? words.theUnit({ name: thing.name }) : thing.name}
      says={isChanged ? `${standing} · ${words.was({ cents: sayCents(thing.cents) })}` : standing}
      isChanged={isChanged}
      nameWidth="220px"
    >
      <PriceInputs name={thing.name} cents={cents} onChange={onChange} />
    </SettingRow>
  );
}

/** Four prices as a line says them. */
const sayCents = (cents: GradeCents): string =>
  saleGrades.map((grade) => `${grade} ${money(cents[grade])}`).join(' · ');

function Consequences({
  changed,
  draft,
  looked,
}: {
  readonly changed: readonly PricedThing[];
  readonly draft: Readonly<Record<string, GradeCents>>;
  readonly looked: LookedAt<ProposalsPreview> | null;
}) {
  if (changed.length === 0)
    return (
      <Section title={words.ifYouSave()}>
        <Box color="inkMuted" pt="10px">
          {words.nothingChanged()}
        </Box>
      </Section>
    );
  return (
    <Section title={words.ifYouSave()}>
      <Box pt="10px" display="grid" gap="12px" aria-live="polite">
        <Box as="ul" textStyle="note">
          {changed.map((thing) => (
            <li key={keyOf(thing)}>
              {words.changeLine({ name: thing.name, cents: sayCents(draft[keyOf(thing)] ?? thing.cents) })}
            </li>
          ))}
        </Box>
        {!looked && <Box color="inkMuted">{words.computing()}</Box>}
        {looked?.refusal && (
          <Caution what="">
            <Refused refusal={looked.refusal} />
          </Caution>
        )}
        {looked?.preview && <ProposalTurns preview={looked.preview} />}
      </Box>
    </Section>
  );
}

/** What was set before and what begins later, each of which can be set again. */
function Earlier({
  view: { history, today },
  onAgain,
}: {
  readonly view: PricesView;
  readonly onAgain: (partRef: string | null, cents: GradeCents) => void;
}) {
  if (history.length === 0) return null;
  return (
    <Section title={words.setBefore()} mt="26px">
      <ul>
        {history.map(({ id, name, partRef, cents, fromDay, by }) => (
          <Box as="li" key={id} display="flex" gap="12px" alignItems="center" py="6px" textStyle="note" flexWrap="wrap">
            <Box flex="1" minW="240px">
              {words.setLine({
                name,
                cents: sayCents(cents),
                isLater: fromDay > today ? 'yes' : 'no',
                day: day(fromDay),
                by,
              })}
            </Box>
            <Button
              size="small"
              aria-label={words.setAgainOf({ name, day: day(fromDay) })}
              onClick={() => onAgain(partRef, cents)}
            >
              {words.setAgain()}
            </Button>
          </Box>
        ))}
      </ul>
    </Section>
  );
}
