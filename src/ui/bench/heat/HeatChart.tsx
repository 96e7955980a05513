'use client';
import { useMemo } from 'react';
import type { ProbeReading } from '@/core/heat/fitCoupling';
import type { HeatPlan } from '@/core/heat/heatPlan';
import type { HeatQuestion } from '@/core/heat/stackOf';
import { Chart } from '@/ui/charts/Chart';
import type { Palette } from '@/ui/charts/palette';
import * as words from '@/words/catalogue/benchLater';

/** Enough points for a smooth line, few enough to draw while it is heated. */
const points = 60;

/** What the layers are expected to do, the limit of the cell, and what the probe reads. */
export function HeatChart({
  question,
  plan,
  readings,
}: {
  readonly question: HeatQuestion;
  readonly plan: HeatPlan;
  readonly readings: readonly ProbeReading[];
}) {
  const { stack, goal } = question;
  const option = useMemo(() => {
    const every = Math.max(1, Math.floor(plan.curve.length / points));
    const kept = plan.curve.flatMap((now, second) => (second % every === 0 ? [{ now, minutes: second / 60 }] : []));
    const line = (layer: number) => kept.map(({ now, minutes }) => [minutes, round(now[layer] as number)]);
    const shown = Math.max(1, Math.floor(readings.length / points));
    const read = readings.flatMap(({ seconds, celsius }, at) => (at % shown === 0 ? [[seconds / 60, celsius]] : []));
    return ({ ink, inkMuted, rule, danger, action, twine }: Palette) => ({
      grid: { left: 40, right: 140, top: 12, bottom: 26 },
      xAxis: {
        type: 'value',
        min: 0,
        axisLabel: { color: inkMuted, formatter: '{value} min' },
        splitLine: { show: false },
        axisLine: { lineStyle: { color: rule } },
      },
      yAxis: {
        type: 'value',
        min: 20,
        max: Math.ceil((Math.max(goal.limitCelsius, plan.bestAdhesiveCelsius) + 4) / 10) * 10,
        axisLabel: { color: inkMuted, formatter: '{value}°' },
        splitLine: { lineStyle: { color: rule } },
      },
      series: [
        {
          ...plain,
          name: 'adhesive',
          data: line(stack.adhesive),
          lineStyle: { color: action, width: 3 },
          endLabel: endLabel('adhesive', action),
        },
        {
          ...plain,
          name: 'cell',
          data: line(stack.cell),
          lineStyle: { color: ink, width: 2 },
          endLabel: endLabel('cell', ink),
          markLine: {
            symbol: 'none',
            label: { color: danger, formatter: words.batteryLimit(), position: 'insideStartTop' },
            lineStyle: { color: danger, type: 'dashed' },
            data: [{ yAxis: goal.limitCelsius }],
          },
        },
        {
          ...plain,
          name: 'cover',
          data: line(0),
          lineStyle: { color: twine, width: 1.5, type: 'dotted' },
        },
        {
          ...plain,
          name: 'probe',
          data: read,
          showSymbol: true,
          symbol: 'circle',
          symbolSize: 6,
          lineStyle: { width: 0 },
          itemStyle: { color: twine },
          endLabel: endLabel(words.probeOnCover(), twine),
        },
      ],
    });
  }, [plan, readings, stack, goal]);
  return (
    <Chart
      says={words.expectedTemperaturesAdhesiveReachesC({
        bestAdhesiveCelsius: Math.round(plan.bestAdhesiveCelsius),
        peakCellCelsius: Math.round(plan.peakCellCelsius),
        limitCelsius: goal.limitCelsius,
      })}
      height={170}
      option={option}
    />
  );
}

const plain = { type: 'line', showSymbol: false, smooth: false } as const;
const endLabel = (formatter: string, color: string) => ({ show: true, formatter, color });
const round = (value: number): number => Math.round(value * 10) / 10;
