'use client';
import { money } from '@/words/format';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import { useMemo, useState, useTransition } from 'react';
import type { Outcome } from '@/core/shared/outcome';
import type { SendView } from '@/services/send/readSend';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import { useShop, useShopStore } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/send';

interface SendProps {
  readonly view: SendView;
  readonly openShipment: () => Promise<Outcome<string>>;
}

/** What leaves? Everything that is ready, in one shipment, unless a unit is held back. */
export function SendScreen({ view, openShipment }: SendProps) {
  const store = useShopStore();
  const seeds = useMemo(() => ({ models: [], units: view.ready.map(({ unit }) => unit) }), [view]);
  const shop = useShop(seeds);
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());
  const [recipient, setRecipient] = useState(view.lastRecipient);
  const [isBusy, start] = useTransition();
  const ready = view.ready.filter(({ unit }) => shop.units.find(({ id }) => id === unit.id)?.stage === 'send');
  const { chosen, choose } = useChosenThing(ready.map(({ unit }) => unit.id));
  const { shown, ...more } = useGrowing(ready, ({ unit }) => unit.id === chosen);
  const going = ready.filter(({ unit }) => !held.has(unit.id));
  const total = going.reduce((sum, { priceCents }) => sum + priceCents, 0);
  const toggle = (id: string) =>
    setHeld((before) =>
      before.has(id) ? new Set([...before].filter((other) => other !== id)) : new Set(before).add(id),
    );
  const send = () =>
    start(async () => {
      const opened = await openShipment().catch((): Outcome<never> => ({
        ok: false,
        refusal: { reason: 'server-away', values: {} },
      }));
      if (!opened.ok) return store.show(opened.refusal);
      for (const { unit } of going) shop.act('unit-sent', unit.id, { shipment: opened.value, recipient });
    });
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 340px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p="24px 28px">
        <Headline lead={words.unitsAppearHereWhenProve({ ready: ready.length })}>
          {ready.length === 0 ? words.nothingReadyToSend() : words.noUnitsReadyToSend({ going: going.length, total })}
        </Headline>
        {ready.length === 0 && (
          <>
            <Nothing>{words.releaseUnitAtProveAnd()}</Nothing>
            <NextPlace stage="prove" />
          </>
        )}
        <Box as="ul">
          {shown.map(({ unit, modelName, variantName, priceCents }) => (
            <Row
              key={unit.id}
              state={unit.id === chosen ? 'chosen' : held.has(unit.id) ? 'faint' : 'plain'}
              minH="60px"
              flexWrap={{ base: 'wrap', sm: 'nowrap' }}
              onClick={() => choose(unit.id)}
            >
              <Box w="128px">
                <Tag code={unit.tag} href={`/t/${unit.tag}`} />
              </Box>
              <Box flex="1">
                {modelName}, {variantName}
                {held.has(unit.id) && <Box as="strong"> {words.heldBack()}</Box>}
              </Box>
              {unit.saleGrade && <Punches grade={unit.saleGrade} />}
              <Box w="90px" textAlign="end" fontWeight="600">
                {money(priceCents)}
              </Box>
              <a
                href={`/api/labels/${unit.tag}.pdf`}
                target="_blank"
                rel="noreferrer"
                aria-label={words.labelFor({ tag: unit.tag })}
              >
                <Box as="span" color="action" textDecoration="underline">
                  {words.label()}
                </Box>
              </a>
            </Row>
          ))}
        </Box>
        <MoreRows {...more} />
      </Box>
      <SidePanel>
        <LatestShipments shipments={view.shipments} />
        {/* However long the list is, the next thing to do stays in view. */}
        <Box mt="auto" display="grid" gap="10px" py="16px" position={{ lg: 'sticky' }} bottom="0" bg="sheet" data-main>
          <Field label={words.to()}>
            <Input
              value={recipient}
              placeholder={words.whoGetsThem()}
              maxLength={80}
              list="known-customers"
              onChange={(event) => setRecipient(event.currentTarget.value)}
            />
          </Field>
          <datalist id="known-customers">
            {view.customers.map((name) => (
              <option key={name} value={name} />
            ))}
          </datalist>
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
            <KeyButton
              records
              keyName="h"
              label={words.holdBack()}
              isEnabled={chosen !== undefined}
              onPress={() => chosen && toggle(chosen)}
            />
            <KeyButton records keyName="u" label={words.undo()} onPress={() => void shop.takeBack()} />
          </Box>
          <KeyButton
            records
            keyName=" "
            label={words.sendUnit({ going: going.length })}
            look="action"
            size="wide"
            isEnabled={going.length > 0 && recipient.trim() !== '' && !isBusy}
            onPress={send}
          />
        </Box>
      </SidePanel>
    </Box>
  );
}

/** What left last, each with its packing list. */
function LatestShipments({ shipments }: Pick<SendView, 'shipments'>) {
  return (
    <Section title={words.latestShipments()}>
      {shipments.length === 0 && (
        <Box color="inkMuted" pt="8px">
          {words.noneYet()}
        </Box>
      )}
      <Box as="ul">
        {shipments.map(({ shipment, units }) => (
          <Box
            as="li"
            key={shipment}
            display="flex"
            gap="12px"
            alignItems="center"
            py="8px"
            borderBottomWidth="1px"
            borderColor="rule"
          >
            <Tag code={shipment} fact={counts.units({ count: units })} href={`/t/${shipment}`} />
            <a
              href={`/api/packing-lists/${shipment}.pdf`}
              target="_blank"
              rel="noreferrer"
              aria-label={words.packingListFor({ shipment })}
            >
              <Box as="span" color="action" textDecoration="underline" textStyle="note">
                {words.packingList()}
              </Box>
            </a>
          </Box>
        ))}
      </Box>
    </Section>
  );
}
