'use client';
import { useCallback } from 'react';
import type { YieldsView } from '@/services/yields/readYields';
import { Chart } from '@/ui/charts/Chart';
import type { Palette } from '@/ui/charts/palette';
import * as words from '@/words/catalogue/yield';
import { defectNames } from '@/words/say/names';

const shown = 7;

/** What was reported broken, most often first. */
export function DefectChart({ defects }: { readonly defects: YieldsView['defects'] }) {
  const option = useCallback(
    (palette: Palette) => {
      const rows = defects.slice(0, shown);
      const rest = defects.slice(shown).reduce((sum, { count }) => sum + count, 0);
      const names = [
        ...rows.map(({ item }) => words.defect({ part: item.partName, defect: defectNames[item.code] })),
        ...(rest > 0 ? [words.more({ count: defects.length - shown })] : []),
      ];
      const values = [...rows.map(({ count }) => count), ...(rest > 0 ? [rest] : [])];
      return {
        grid: { left: 200, right: 34, top: 6, bottom: 4 },
        xAxis: { type: 'value', show: false, minInterval: 1 },
        yAxis: {
          type: 'category',
          inverse: true,
          data: names,
          axisTick: { show: false },
          axisLine: { show: false },
          axisLabel: { color: palette.ink, fontSize: 14, width: 190, overflow: 'truncate' },
        },
        series: [
          {
            type: 'bar',
            barWidth: 18,
            data: values.map((value, index) => ({
              value,
              itemStyle: { color: index === 0 ? palette.danger : index < rows.length ? palette.twine : palette.rule },
            })),
            label: { show: true, position: 'right', color: palette.ink, fontSize: 14, fontWeight: 700 },
          },
        ],
      };
    },
    [defects],
  );
  const says = defects
    .slice(0, shown)
    .map(({ item, count }) => words.defectCount({ part: item.partName, defect: defectNames[item.code], count }));
  return (
    <Chart says={words.defects({ says })} height={Math.min(defects.length, shown + 1) * 28 + 12} option={option} />
  );
}
