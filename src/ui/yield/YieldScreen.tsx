'use client';
import { Box } from '@chakra-ui/react';
import type { YieldsView } from '@/services/yields/readYields';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Section } from '@/ui/base/Section';
import { DaysChart } from './DaysChart';
import { DefectChart } from './DefectChart';
import { HarvestChart } from './HarvestChart';
import { YieldTable } from './YieldTable';

/** Where do we lose parts, and to what? Counted from the log; nothing here was typed in. */
export function YieldScreen({ view }: { readonly view: YieldsView }) {
  const { yields, defects, days, headline } = view;
  const first = defects[0];
  const half = defects.findIndex(({ cumulativeShare }) => cumulativeShare >= 0.5) + 1;
  return (
    <Box p="24px 28px">
      <Headline
        lead={
          first
            ? `Most often: ${first.item.partName}, ${first.item.code.replaceAll('-', ' ')} (${first.count} times). ${half === 1 ? 'That one is' : `The first ${half} are`} half of all.`
            : 'No defect was reported at the bench yet.'
        }
        aside={
          <a href="/api/events/export">
            <Box as="span" color="action" textDecoration="underline">
              all facts as CSV
            </Box>
          </a>
        }
      >
        {headline}
      </Headline>
      <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: '1.15fr 1fr' }} gap="36px">
        <Section title="Good parts per 100 sought" note="dot: so far · bar: 95 % · good is A, B or C">
          {yields.length === 0 ? (
            <Nothing>Take a donor apart and grade its parts.</Nothing>
          ) : (
            <HarvestChart yields={yields} />
          )}
        </Section>
        <Box display="grid" gap="28px" alignContent="start">
          <Section
            title="What breaks, by part and cause"
            note={`${defects.reduce((sum, { count }) => sum + count, 0)} reported`}
          >
            {defects.length === 0 ? <Nothing>Nothing reported.</Nothing> : <DefectChart defects={defects} />}
          </Section>
          <Section title="Units finished per day" note="filled: released for sale · open: sent">
            {days.length === 0 ? <Nothing>No unit was released yet.</Nothing> : <DaysChart days={days} />}
          </Section>
        </Box>
      </Box>
      {yields.length > 0 && (
        <Box mt="28px">
          <Section title="The same in figures" note="Jeffreys intervals">
            <YieldTable yields={yields} />
          </Section>
        </Box>
      )}
    </Box>
  );
}
