'use client';
import { Box } from '@chakra-ui/react';
import type { ListedFact } from '@/data/facts/latestFacts';
import type { Named } from '@/core/shop/namedIn';
import { clock, moment, shortDay } from '@/words/format';
import { sayClock } from '@/words/say/sayClock';
import { sayFact } from '@/words/say/sayFact';

/** Facts as they came in, newest first; what was taken back is struck through. */
export function FactList({
  facts,
  withDay = false,
  isNarrow = false,
}: {
  readonly facts: readonly Named<ListedFact>[];
  readonly withDay?: boolean;
  /** In a narrow column: the day alone, and who did it below. */
  readonly isNarrow?: boolean;
}) {
  return (
    <Box as="ul">
      {facts.map((fact) => (
        <Box
          as="li"
          key={fact.id}
          data-fact={fact.type}
          display="flex"
          gap="10px"
          py="6px"
          borderBottomWidth="1px"
          borderColor="rule"
          textStyle="note"
          textDecoration={fact.isUndone ? 'line-through' : undefined}
        >
          <Box as="span" fontFamily="mono" color="inkMuted" flexShrink={0}>
            {isNarrow ? shortDay(fact.at.slice(0, 10)) : withDay ? moment(fact.at) : clock(fact.at)}
          </Box>
          <Box as="span" flex="1" minW="0">
            {fact.tag && !isNarrow && <strong>{fact.tag} </strong>}
            {sayFact(fact, fact.named)}
            {fact.clockOffS !== null && (
              <Box as="span" color="inkMuted">
                {' '}
                ({sayClock(fact.clockOffS)})
              </Box>
            )}
          </Box>
          <Box as="span" color="inkMuted" flexShrink={0}>
            {fact.person}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
