'use client';
import { list, money } from '@/words/format';
import { useCallback } from 'react';
import type { Model } from '@/core/procedure/model';
import { getModelPart } from '@/core/procedure/model';
import type { TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { Chart } from '@/ui/charts/Chart';
import type { Palette } from '@/ui/charts/palette';
import * as words from '@/words/catalogue/planner';

const inMoney = (cents: number): number => Math.round(cents) / 100;

/** Worth after labour against operations done: where the plan stops, what comes out on the way, how sure it is. */
export function CurveChart({ model, plan }: { readonly model: Model; readonly plan: TeardownPlan }) {
  const { curve, operations } = plan;
  const option = useCallback(
    (palette: Palette) => {
      const stop = operations.length;
      const named = curve.filter(({ frees }) => frees.length > 0);
      const label = (at: number) => {
        const parts = curve[at]?.frees.map((part) => getModelPart(model, part).name) ?? [];
        if (at !== stop || stop === 0) return list(parts);
        const worth = money(Math.round(curve[at]?.cents ?? 0));
        return parts.length > 0
          ? words.stopHereAt({ parts: list(parts), money: worth })
          : words.stopAt({ money: worth });
      };
      return {
        grid: { left: 52, right: 16, top: 26, bottom: 24 },
        tooltip: {
          trigger: 'axis',
          // Titles come from documents: text, never markup.
          renderMode: 'richText',
          formatter: ([first]: { readonly dataIndex: number }[]) => {
            const point = curve[first?.dataIndex ?? 0];
            const title = model.operations.find(({ id }) => id === point?.operation)?.title ?? words.nothingDone();
            return words.curvePoint({
              done: point?.done ?? 0,
              title,
              low: money(Math.round(point?.lowCents ?? 0)),
              high: money(Math.round(point?.highCents ?? 0)),
            });
          },
        },
        xAxis: {
          type: 'category',
          boundaryGap: false,
          data: curve.map(({ done }) => String(done)),
          axisTick: { show: false },
          axisLine: { lineStyle: { color: palette.rule } },
          axisLabel: { color: palette.inkMuted, fontSize: 12 },
        },
        yAxis: {
          type: 'value',
          axisLabel: { color: palette.inkMuted, fontSize: 12 },
          splitLine: { lineStyle: { color: palette.rule } },
        },
        series: [
          {
            type: 'line',
            stack: 'range',
            silent: true,
            symbol: 'none',
            lineStyle: { opacity: 0 },
            // A stack cannot go from below nothing to above it, so the range is drawn from its own lowest point.
            stackStrategy: 'all',
            data: curve.map(({ lowCents }) => inMoney(lowCents)),
          },
          {
            type: 'line',
            stack: 'range',
            silent: true,
            symbol: 'none',
            lineStyle: { opacity: 0 },
            stackStrategy: 'all',
            areaStyle: { color: palette.twine, opacity: 0.22 },
            data: curve.map(({ lowCents, highCents }) => inMoney(highCents - lowCents)),
          },
          {
            type: 'line',
            data: curve.map(({ cents, done }) => ({
              value: inMoney(cents),
              symbol: done === stop || named.some((point) => point.done === done) ? 'circle' : 'none',
              symbolSize: done === stop ? 15 : 9,
              itemStyle: {
                color: done === stop ? palette.action : palette.paper,
                borderColor: done === stop ? palette.action : palette.ink,
                borderWidth: 2,
              },
              label: {
                // Where the plan stops is said at length: what comes out just before it stands in the table.
                show:
                  done === stop ||
                  (done > 0 && (done > stop || stop - done > 3) && (curve[done]?.frees.length ?? 0) > 0),
                formatter: label(done),
                position: 'top',
                // The first and the last ones would run out at their side.
                align: done > curve.length * 0.8 ? 'right' : done < curve.length * 0.2 ? 'left' : 'center',
                distance: 8,
                color: done === stop ? palette.action : palette.inkMuted,
                fontWeight: done === stop ? 'bold' : 'normal',
                fontSize: done === stop ? 14 : 12,
              },
            })),
            labelLayout: { hideOverlap: true },
            lineStyle: { color: palette.ink, width: 2.5 },
          },
        ],
      };
    },
    [model, curve, operations],
  );
  return <Chart says={words.valueAfterLabourStepBy()} height={230} option={option} />;
}
