'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { HeardReading } from '@/data/instruments/instrumentReadings';
import type { InstrumentsView } from '@/services/instruments/readInstruments';
import { Button } from '@/ui/base/Button';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import { clock, day, number } from '@/words/format';
import { attributeNames } from '@/words/say/attributes';
import { instrumentNames } from '@/words/say/instrumentName';
import { sayRefusal } from '@/words/say/sentences';
import * as texts from '@/words/catalogue/instruments';
import { useInstruments } from './useInstruments';

const mostShown = 30;

/** Which instruments speak to this bench, how to let one in, and what they said last. */
export function InstrumentsScreen({ view }: { readonly view: InstrumentsView }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [made, setMade] = useState<{ readonly name: string; readonly key: string } | null>(null);
  const [refused, setRefused] = useState<Refusal | null>(null);
  const [heard, setHeard] = useState(view.heard);
  useInstruments(null, ['torque', 'celsius'], (one) => setHeard((before) => [one, ...before].slice(0, mostShown)));
  const make = async () => {
    const outcome = await send<{ key: string }>('POST', '/api/instruments/keys', { name: name.trim() });
    setRefused(outcome.ok ? null : outcome.refusal);
    if (!outcome.ok) return;
    setMade({ name: name.trim(), key: outcome.value.key });
    setName('');
    router.refresh();
  };
  const remove = async (id: string) => {
    const outcome = await send('DELETE', `/api/instruments/keys/${id}`);
    setRefused(outcome.ok ? null : outcome.refusal);
    router.refresh();
  };
  return (
    <Box p={{ base: '16px', md: '20px 28px' }} maxW="1000px">
      <Headline
        lead={texts.lead()}
        aside={<KeyButton keyName="Escape" label={texts.grade()} onPress={() => router.push('/grade')} />}
      >
        {texts.answer({ keys: view.keys.length, heard: heard.length })}
      </Headline>
      <Section title={texts.letIn()}>
        <Box
          as="form"
          display="flex"
          gap="10px"
          py="10px"
          flexWrap="wrap"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') void make();
          }}
        >
          <Input
            aria-label={texts.nameOfIt()}
            placeholder={texts.nameFor()}
            maxLength={60}
            autoComplete="off"
            w={{ base: '100%', sm: '280px' }}
            value={name}
            onChange={({ currentTarget: { value } }) => setName(value)}
          />
          <Button type="submit" look="action" disabled={name.trim() === ''}>
            {texts.makeKey()}
          </Button>
        </Box>
        <RefusalAlert refusal={refused} />
        {made && (
          <Box bg="sheet" p="14px" borderWidth="1px" borderColor="rule" role="status">
            <Box mb="6px">{texts.keyOnce({ name: made.name })}</Box>
            <Box as="code" fontFamily="mono" display="block" overflowWrap="anywhere" data-key>
              {made.key}
            </Box>
            <Box mt="8px" color="inkMuted" textStyle="note">
              {texts.howToSend()}
            </Box>
            <Box as="code" fontFamily="mono" textStyle="caption" display="block" overflowWrap="anywhere" mt="4px">
              ./plucky instrument calliper {typeof window === 'undefined' ? '' : window.location.origin} {made.key}
            </Box>
          </Box>
        )}
        <Box as="ul">
          {view.keys.map(({ id, name: own, madeBy, madeAt }) => (
            <Row key={id} minH="48px">
              <Box flex="1" minW="0">
                {own}
                <Box as="span" color="inkMuted" textStyle="note">
                  {' '}
                  {texts.madeBy({ madeBy, day: day(madeAt) })}
                </Box>
              </Box>
              <Button size="small" aria-label={texts.removeNamed({ name: own })} onClick={() => void remove(id)}>
                {texts.remove()}
              </Button>
            </Row>
          ))}
        </Box>
      </Section>
      <Section title={texts.lastHeard()} note={texts.live()} mt="22px">
        {heard.length === 0 ? (
          <Nothing>{texts.nothingHeard()}</Nothing>
        ) : (
          <Box as="ul">
            {heard.map((one) => (
              <Row key={one.no} minH="42px">
                <Box w="64px" fontFamily="mono" color="inkMuted">
                  {clock(one.message.at)}
                </Box>
                <Box flex="1" minW="0" color={one.became.ok ? undefined : 'danger'}>
                  {sayHeard(one)}
                </Box>
                {one.message.isSimulated && (
                  <Box textStyle="caption" color="inkMuted">
                    {texts.simulated()}
                  </Box>
                )}
              </Row>
            ))}
          </Box>
        )}
      </Section>
    </Box>
  );
}

function sayHeard({ message, became }: HeardReading): string {
  const instrument = instrumentNames[message.instrument];
  if (!became.ok) return sayRefusal(became.refusal);
  const landed = became.value;
  if (landed.is === 'code') return texts.scanned({ code: landed.code });
  if (landed.is === 'samples') return texts.streams({ instrument, count: message.samples?.length ?? 0 });
  const of =
    landed.wish === 'torque' || landed.wish === 'celsius'
      ? texts.ofStep({ wish: landed.wish })
      : attributeNames[landed.wish];
  return texts.landed({
    instrument,
    value: number(landed.value),
    of,
    part: message.part ?? '',
    hasPart: message.part ? 'yes' : 'no',
  });
}
