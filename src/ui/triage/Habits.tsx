'use client';
import { Box } from '@chakra-ui/react';
import type { Habit } from '@/core/triage/houseHabits';
import { RangeBar } from '@/ui/base/RangeBar';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import * as words from '@/words/catalogue/triage';
import { dispositionNames, findingNames, testNames } from '@/words/say/names';

const shownTags = 4;

/** What the house does otherwise than it is proposed, and what that clearly costs or brings. */
export function Habits({ habits }: { readonly habits: readonly Habit[] }) {
  const scale = {
    low: Math.min(0, ...habits.map(({ lowCents }) => lowCents)),
    high: Math.max(1, ...habits.map(({ highCents }) => highCents)),
  };
  return (
    <Section title={words.doneOtherwiseHere()}>
      {habits.length === 0 ? (
        <Box textStyle="note" color="inkMuted" pt="6px">
          {words.noHabitIsClear()}
        </Box>
      ) : (
        <Box as="ul" listStyleType="none" display="grid" gap="16px" pt="8px">
          {habits.map((habit) => (
            <HabitRow
              key={`${habit.proposed} ${habit.chosen} ${JSON.stringify(habit.of)}`}
              habit={habit}
              scale={scale}
            />
          ))}
        </Box>
      )}
    </Section>
  );
}

function HabitRow({
  habit: { proposed, chosen, of, tags, cents, lowCents, highCents },
  scale,
}: {
  readonly habit: Habit;
  readonly scale: { readonly low: number; readonly high: number };
}) {
  const isDearer = cents < 0;
  const about = [
    of.name ?? words.anyUnit(),
    ...(of.fault ? [words.faultOf({ test: testNames[of.fault] })] : []),
    ...(of.mark ? [findingNames[of.mark]] : []),
  ];
  const sum = Math.abs(cents) * tags.length;
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns={{ base: '1fr', md: 'minmax(0, 3fr) minmax(160px, 2fr) auto' }}
      gap="4px 24px"
      alignItems="center"
    >
      <Box>
        <Box fontWeight="600">{about.join(', ')}</Box>
        <Box>
          {words.insteadOf({
            chosen: dispositionNames[chosen],
            proposed: dispositionNames[proposed],
            times: tags.length,
          })}
        </Box>
      </Box>
      <Box>
        <RangeBar low={lowCents} best={cents} high={highCents} scale={scale} tone={isDearer ? 'ink' : 'action'} />
        <Box textStyle="note" color="inkMuted">
          {words.rangeOfHabit({ low: lowCents, high: highCents })}
        </Box>
      </Box>
      <Box textAlign={{ md: 'end' }}>
        <Box textStyle="figure" fontSize="20px">
          {isDearer ? words.costsAUnit({ cents: -cents }) : words.bringsAUnit({ cents })}
        </Box>
        <Box textStyle="note" color="inkMuted">
          {isDearer ? words.lessInAll({ cents: sum }) : words.moreInAll({ cents: sum })}
        </Box>
      </Box>
      <Box gridColumn="1 / -1" textStyle="note" display="flex" flexWrap="wrap" gap="4px 12px" alignItems="center">
        {isDearer ? words.followOrNote() : words.goOnAndNote()}
        {tags.slice(0, shownTags).map((tag) => (
          <Tag key={tag} code={tag} href={`/t/${tag}`} />
        ))}
      </Box>
    </Box>
  );
}
