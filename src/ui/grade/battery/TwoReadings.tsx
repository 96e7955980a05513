'use client';
import { Box } from '@chakra-ui/react';
import type { Fused, GaugeRecord } from '@/core/battery/health';
import type { CellRecord } from '@/core/battery/cellRecord';
import { Section } from '@/ui/base/Section';
import { number, share, tenths } from '@/words/format';
import * as words from '@/words/catalogue/grade';

/** What the unit said of its cell against what the analyser counted, and what is believed of the two. */
export function TwoReadings({
  cell,
  fused,
  gauge,
}: {
  readonly cell: CellRecord;
  readonly fused: Fused;
  readonly gauge: GaugeRecord;
}) {
  const mean = gauge.over.reduce((sum, each) => sum + each, 0) / Math.max(1, gauge.over.length);
  return (
    <Section title={words.twoReadings()}>
      <Box pt="8px">
        {words.unitSaidAnalyserCounts({
          own: number(cell.gaugeShare ?? 0),
          counted: tenths(cell.analyserShare ?? 0),
          spread: tenths(cell.analyserPlusMinus ?? 0),
        })}
      </Box>
      <Box textStyle="note" color={fused.disagree ? 'danger' : 'inkMuted'} pt="4px">
        {words.believedIs({
          value: tenths(fused.value),
          spread: tenths(fused.plusMinus),
          weight: share(fused.analyserWeight),
          compared: gauge.over.length,
          over: tenths(mean),
        })}
        {fused.disagree && ` ${words.theyDisagree()}`}
      </Box>
    </Section>
  );
}
