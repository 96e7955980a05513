'use client';
import type { CustomSeriesRenderItemAPI, CustomSeriesRenderItemParams } from 'echarts';
import { useCallback } from 'react';
import type { NamedYield } from '@/services/yields/readYields';
import { Chart } from '@/ui/charts/Chart';
import type { Palette } from '@/ui/charts/palette';
import * as words from '@/words/catalogue/yield';

const shown = 16;
const rowPx = 30;

/** Each part's share as a dot with its interval as a bar, the most sought first. */
export function HarvestChart({ yields }: { readonly yields: readonly NamedYield[] }) {
  const rows = yields.slice(0, shown);
  const option = useCallback(
    (palette: Palette) => {
      const isLow = ({ isBelow }: NamedYield) => isBelow;
      return {
        grid: { left: 190, right: 76, top: 8, bottom: 26 },
        xAxis: {
          type: 'value',
          min: 0,
          max: 100,
          interval: 25,
          axisLabel: { color: palette.inkMuted, fontSize: 13 },
          splitLine: { lineStyle: { color: palette.rule } },
        },
        yAxis: [
          {
            type: 'category',
            inverse: true,
            data: rows.map(({ name }) => name),
            axisTick: { show: false },
            axisLine: { show: false },
            axisLabel: { color: palette.ink, fontSize: 14, width: 180, overflow: 'truncate' },
          },
          {
            type: 'category',
            inverse: true,
            position: 'right',
            data: rows.map(({ good, sought }) => `${good} of ${sought}`),
            axisTick: { show: false },
            axisLine: { show: false },
            axisLabel: { color: palette.inkMuted, fontSize: 14 },
          },
        ],
        tooltip: {
          trigger: 'item',
          renderMode: 'richText',
          formatter: ({ dataIndex }: { dataIndex: number }) => rows[dataIndex]?.says ?? '',
        },
        series: [
          {
            type: 'custom',
            data: rows.map(({ interval }, index) => [
              interval.estimate * 100,
              index,
              interval.low * 100,
              interval.high * 100,
            ]),
            renderItem: (params: CustomSeriesRenderItemParams, api: CustomSeriesRenderItemAPI) => {
              const row = rows[params.dataIndex] as NamedYield;
              const colour = isLow(row) ? palette.danger : palette.ink;
              const [low, y] = api.coord([api.value(2), api.value(1)]) as [number, number];
              const [high] = api.coord([api.value(3), api.value(1)]) as [number];
              const [middle] = api.coord([api.value(0), api.value(1)]) as [number];
              return {
                type: 'group',
                children: [
                  {
                    type: 'rect',
                    shape: { x: low, y: y - 2.5, width: Math.max(1, high - low), height: 5, r: 2.5 },
                    style: { fill: colour, opacity: 0.35 },
                  },
                  { type: 'circle', shape: { cx: middle, cy: y, r: 6 }, style: { fill: colour } },
                ],
              };
            },
          },
        ],
      };
    },
    [rows],
  );
  return (
    <Chart
      says={words.harvestYieldPartsTableBelow({ rows: rows.length })}
      height={rows.length * rowPx + 40}
      option={option}
    />
  );
}
