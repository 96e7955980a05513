'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { Lock, Ban } from 'lucide-react';
import type { PlannedFill, PlanRow } from '@/core/matching/planView';
import type { Wish } from '@/core/matchPlan/problem';
import { Punches } from '@/ui/base/Punches';
import { Row } from '@/ui/base/Row';
import { money, whole } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';

/** One unit of the plan: what becomes of it, where its parts come from, and what that leaves. */
export function PlanLine({
  row,
  isFirstOfFate,
  count,
  isChosen,
  wishes,
  onChoose,
}: {
  readonly row: PlanRow;
  readonly isFirstOfFate: boolean;
  readonly count: number;
  readonly isChosen: boolean;
  readonly wishes: readonly Wish[];
  readonly onChoose: () => void;
}) {
  const line = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isChosen) line.current?.scrollIntoView({ block: 'nearest' });
  }, [isChosen]);
  const { tag, model, fate, before, sellsAt, fills, gives, cents, minutes } = row;
  const isChange = before !== (fate === 'hold' ? null : fate);
  return (
    <li ref={line}>
      {isFirstOfFate && (
        <Box as="h2" textStyle="section" mt="14px" pb="6px" borderBottomWidth="1px" borderColor="rule">
          {words.fateHeading({ fate: fate.replace('-', '_'), count })}
        </Box>
      )}
      <Row state={isChosen ? 'chosen' : 'plain'} press="yes" minH="52px" onClick={onChoose} aria-current={isChosen}>
        <Box w={{ base: '100%', md: '190px' }} flexShrink={0}>
          <Box as="span" textStyle="code">
            {tag}
          </Box>
          <Box as="span" display="block" textStyle="caption" color="inkMuted">
            {model}
            {isChange && before ? ` · ${words.wasDecided({ before: before.replace('-', '_') })}` : ''}
          </Box>
        </Box>
        <Box flex="1" minW="0" display="flex" flexWrap="wrap" gap="6px" alignItems="center">
          {fills.map((fill) => (
            <FillChip key={fill.slot} fill={fill} holds={row.heldBy.includes(fill.name)} />
          ))}
          {fills.length === 0 && fate === 'build' && <Box color="inkMuted">{words.needsNothing()}</Box>}
          {fate === 'donor' && <Box textStyle="note">{sayGives(gives)}</Box>}
        </Box>
        {wishes.map(({ is }) => (
          <Box key={is} flexShrink={0} color="waiting">
            {is === 'pinned' ? (
              <Lock size={18} aria-label={words.pinned()} />
            ) : (
              <Ban size={18} aria-label={words.never()} />
            )}
          </Box>
        ))}
        <Box w="92px" flexShrink={0} display={{ base: 'none', sm: 'block' }}>
          {sellsAt && <Punches grade={sellsAt} />}
        </Box>
        <Box w="74px" flexShrink={0} textAlign="end" fontWeight="700" fontFamily="mono">
          {money(cents)}
        </Box>
        <Box w="56px" flexShrink={0} textAlign="end" color="inkMuted" textStyle="note">
          {minutes > 0 ? words.min({ minutes: whole(minutes) }) : ''}
        </Box>
      </Row>
    </li>
  );
}

/** Where a part comes from, told by its edge and in words: the shelf, a donor, or a purchase. */
function FillChip({ fill, holds }: { readonly fill: PlannedFill; readonly holds: boolean }) {
  const { is, name, grade, from, cents } = fill;
  return (
    <Box
      as="span"
      display="inline-flex"
      gap="6px"
      alignItems="baseline"
      px="8px"
      py="2px"
      bg={is === 'offer' ? 'waitingSoft' : 'sheet'}
      borderWidth="1px"
      borderStyle={is === 'offer' ? 'dashed' : 'solid'}
      borderColor={is === 'offer' ? 'waiting' : 'rule'}
      borderStartWidth={is === 'donor' ? '4px' : '1px'}
      borderStartColor={is === 'donor' ? 'twine' : undefined}
      borderRadius="soft"
      textStyle="note"
    >
      <Box as="span">{name}</Box>
      <Box as="strong" textDecoration={holds ? 'underline' : undefined} textDecorationColor="danger">
        {grade}
      </Box>
      <Box as="span" color="inkMuted">
        {is === 'lot' ? words.fromShelf() : is === 'donor' ? from : words.bought({ cents: money(cents) })}
      </Box>
    </Box>
  );
}

function sayGives(gives: PlanRow['gives']): string {
  const going = gives.filter(({ to }) => to !== null);
  return words.gives({
    count: gives.length,
    going: going.map(({ name, to }) => words.goesTo({ name, to: to ?? '' })),
    some: going.length > 0 ? 'yes' : 'no',
  });
}
