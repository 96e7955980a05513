'use client';
import { say as sayYields } from '@/words/catalogue/core/yields';
import { Box } from '@chakra-ui/react';
import type { YieldsView } from '@/services/yields/readYields';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { NextPlace } from '@/ui/line/NextPlace';
import { Section } from '@/ui/base/Section';
import { DaysChart } from './DaysChart';
import { DefectChart } from './DefectChart';
import { HarvestChart } from './HarvestChart';
import { YieldTable } from './YieldTable';
import * as words from '@/words/catalogue/yield';
import { shortDay } from '@/words/format';
import { defectNames } from '@/words/say/names';

/** Where do we lose parts, and to what? Counted from the log; nothing here was typed in. */
export function YieldScreen({ view }: { readonly view: YieldsView }) {
  const { yields, defects, days, headline, mended } = view;
  const first = defects[0];
  const half = defects.findIndex(({ cumulativeShare }) => cumulativeShare >= 0.5) + 1;
  return (
    <Box p="24px 28px">
      <Headline
        lead={
          first
            ? words.mostOftenOnceOneCause({
                part: first.item.partName,
                defect: defectNames[first.item.code],
                count: first.count,
                half,
              })
            : words.noDefectsHaveBeenReported()
        }
        aside={
          <a href="/api/facts/export">
            <Box as="span" color="action" textDecoration="underline">
              {words.allFactsAsCsv()}
            </Box>
          </a>
        }
      >
        {sayYields(headline)}
      </Headline>
      {mended && (
        <Box textStyle="note" color="inkMuted" mb="14px">
          {words.countsWereWrong({ count: mended.count, day: shortDay(mended.day) })}
        </Box>
      )}
      <Box display="grid" gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '1.15fr 1fr' }} gap="36px">
        <Section title={words.goodPartsPer100Sought()} note={words.dotToExpectBar95()}>
          {yields.length === 0 ? (
            <>
              <Nothing>{words.takeDonorApartAndGrade()}</Nothing>
              <NextPlace stage="teardown" />
            </>
          ) : (
            <HarvestChart yields={yields} />
          )}
        </Section>
        <Box display="grid" gap="28px" alignContent="start">
          <Section
            title={words.defectsByPartAndCause()}
            note={words.reported({ count: defects.reduce((sum, { count }) => sum + count, 0) })}
          >
            {defects.length === 0 ? <Nothing>{words.nothingReported()}</Nothing> : <DefectChart defects={defects} />}
          </Section>
          <Section title={words.unitsFinishedPerDay()} note={words.filledReleasedForSaleOpen()}>
            {days.length === 0 ? <Nothing>{words.noUnitsHaveBeenReleased()}</Nothing> : <DaysChart days={days} />}
          </Section>
        </Box>
      </Box>
      {yields.length > 0 && (
        <Box mt="28px">
          <Section title={words.figures()} note={words.n95Intervals()}>
            <YieldTable yields={yields} />
          </Section>
        </Box>
      )}
    </Box>
  );
}
