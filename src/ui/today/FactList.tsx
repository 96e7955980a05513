'use client';
import { Box } from '@chakra-ui/react';
import type { Fact } from '@/data/events/latestFacts';
import { eventNames } from '@/ui/words/names';

const clock = (iso: string): string => iso.slice(11, 16);

/** Facts as they came in, newest first; what was taken back is struck through. */
export function FactList({ facts, withDay = false }: { readonly facts: readonly Fact[]; readonly withDay?: boolean }) {
  return (
    <Box as="ul">
      {facts.map((fact) => (
        <Box
          as="li"
          key={fact.id}
          display="flex"
          gap="10px"
          py="6px"
          borderBottomWidth="1px"
          borderColor="rule"
          textStyle="note"
          textDecoration={fact.isUndone ? 'line-through' : undefined}
        >
          <Box as="span" fontFamily="mono" color="inkMuted" flexShrink={0}>
            {withDay ? `${fact.at.slice(0, 10)} ${clock(fact.at)}` : clock(fact.at)}
          </Box>
          <Box as="span" flex="1" minW="0">
            {fact.tag && <strong>{fact.tag} </strong>}
            {eventNames[fact.type]}
            <FactDetail fact={fact} />
          </Box>
          <Box as="span" color="inkMuted" flexShrink={0}>
            {fact.person}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** The part of a fact that tells it from others of its kind. */
function FactDetail({ fact }: { readonly fact: Fact }) {
  const payload = fact.payload as Record<string, unknown>;
  const verdict = payload.verdict as { grade: string; limiting: string } | undefined;
  const words =
    verdict !== undefined
      ? `${verdict.grade}, by ${verdict.limiting.toLowerCase()}`
      : [
          payload.stepId,
          payload.test,
          payload.result,
          payload.disposition,
          payload.defectCode,
          payload.bin,
          payload.shipment,
          payload.text,
        ]
          .filter((word) => typeof word === 'string')
          .join(' ');
  return words === '' ? null : (
    <Box as="span" color="inkMuted">
      {' '}
      {words.replace(/^(out|back|gate):/, '').replaceAll('-', ' ')}
    </Box>
  );
}
