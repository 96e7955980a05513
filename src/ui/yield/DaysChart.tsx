'use client';
import { useCallback } from 'react';
import type { DayCount } from '@/data/yields/finishedPerDay';
import { Chart } from '@/ui/charts/Chart';
import type { Palette } from '@/ui/charts/palette';
import * as words from '@/words/catalogue/yield';
import { shortDay } from '@/words/format';

/** Units released and sent, day by day. Days without any are left out. */
export function DaysChart({ days }: { readonly days: readonly DayCount[] }) {
  const option = useCallback(
    (palette: Palette) => ({
      grid: { left: 28, right: 8, top: 14, bottom: 24 },
      xAxis: {
        type: 'category',
        data: days.map(({ day }) => shortDay(day)),
        axisTick: { show: false },
        axisLine: { lineStyle: { color: palette.rule } },
        axisLabel: { color: palette.inkMuted, fontSize: 13 },
      },
      yAxis: {
        type: 'value',
        minInterval: 1,
        axisLabel: { color: palette.inkMuted, fontSize: 13 },
        splitLine: { lineStyle: { color: palette.rule } },
      },
      series: [
        {
          type: 'bar',
          name: words.released(),
          barMaxWidth: 16,
          data: days.map(({ released }) => released),
          itemStyle: { color: palette.action },
        },
        {
          type: 'bar',
          name: words.sent(),
          barMaxWidth: 16,
          data: days.map(({ sent }) => sent),
          itemStyle: { color: 'transparent', borderColor: palette.twine, borderWidth: 2 },
        },
      ],
    }),
    [days],
  );
  return (
    <Chart
      says={words.unitsFinished({
        days: days.map((day) => words.dayCount(day)),
      })}
      height={170}
      option={option}
    />
  );
}
