'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { PlanRow } from '@/core/matching/planView';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { send } from '@/ui/server/send';
import type { OneMore } from '@/workers/match/matchJobs';
import { money } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import { sayWanted } from './sayWanted';
import type { PlanView } from './usePlan';

const mostDonors = 4;

/** Which units give parts, how many, and in how long. */
export function Donors({
  rows,
  onChoose,
}: {
  readonly rows: readonly PlanRow[];
  readonly onChoose: (tag: string) => void;
}) {
  const donors = rows.filter(({ fate }) => fate === 'donor').toSorted((a, b) => b.cents - a.cents);
  if (donors.length === 0) return null;
  return (
    <Section title={words.donors()} note={words.donorsNote({ units: donors.length })}>
      <Box as="ul">
        {donors.slice(0, mostDonors).map(({ tag, model, gives, minutes, cents }) => (
          <Row key={tag} minH="44px" press="yes" onClick={() => onChoose(tag)}>
            <Box flex="1" minW="0">
              {tag}
              <Box as="span" display="block" textStyle="caption" color="inkMuted">
                {words.donorLine({
                  model,
                  parts: gives.length,
                  minutes: Math.round(minutes),
                  going: gives.filter(({ to }) => to !== null).length,
                })}
              </Box>
            </Box>
            <Box fontFamily="mono" fontWeight="700">
              {money(cents)}
            </Box>
          </Row>
        ))}
      </Box>
      {donors.length > mostDonors && (
        <Box textStyle="note" color="inkMuted" pt="6px">
          {words.donorsMore({ count: donors.length - mostDonors })}
        </Box>
      )}
    </Section>
  );
}

/** Where one more hour, part or unit would bring most: asked once the plan is there, and for that plan only. */
export function OneMoreOf({ view }: { readonly view: PlanView }) {
  const { problem, cents, at, hourCents, names } = view;
  const [asked, setAsked] = useState<{ readonly at: string; readonly more: readonly OneMore[] } | null>(null);
  useEffect(() => {
    const calledOff = new AbortController();
    const timer = setTimeout(() => {
      void send<{ more: readonly OneMore[] }>(
        'POST',
        '/api/match-plan/more',
        { problem, cents },
        calledOff.signal,
      ).then((outcome) => {
        if (!calledOff.signal.aborted) setAsked({ at, more: outcome.ok ? outcome.value.more : [] });
      });
    }, 1500);
    return () => {
      clearTimeout(timer);
      calledOff.abort();
    };
  }, [problem, cents, at]);
  const more = asked?.at === at ? asked.more : null;
  const lines = [
    ...(hourCents === null || hourCents <= 0 ? [] : [{ key: 'hour', says: words.oneMoreOfHour(), cents: hourCents }]),
    ...(more ?? []).map(({ wanted, cents: worth }) => ({
      key: wanted.is === 'part' ? wanted.of : wanted.group,
      says: sayWanted(wanted, names),
      cents: worth,
    })),
  ].sort((a, b) => b.cents - a.cents);
  return (
    <Section title={words.oneMore()} note={words.oneMoreNote()}>
      <Box as="ul" aria-busy={more === null}>
        {lines.map(({ key, says, cents: worth }) => (
          <Row key={key} minH="36px">
            <Box flex="1" minW="0">
              {says}
            </Box>
            <Box fontFamily="mono" fontWeight="700">
              {money(worth)}
            </Box>
          </Row>
        ))}
      </Box>
      {(more === null || lines.length === 0) && (
        <Box textStyle="note" color="inkMuted" pt="6px">
          {more === null ? words.askingMore() : words.nothingMore()}
        </Box>
      )}
    </Section>
  );
}
