'use client';
import { useCallback } from 'react';
import type { Discharge } from '@/core/battery/dischargeLog';
import type { Limits } from '@/core/shared/gradingRules';
import { Chart } from '@/ui/charts/Chart';
import type { Palette } from '@/ui/charts/palette';
import { number, whole } from '@/words/format';
import * as words from '@/words/catalogue/grade';

/** Voltage over what was taken out: the area that was counted, its gaps, and where each grade begins. */
export function DischargeChart({
  discharge,
  ratedAmpHours,
  cutOffVolt,
  limits,
}: {
  readonly discharge: Discharge;
  readonly ratedAmpHours: number;
  readonly cutOffVolt: number;
  /** Of the capacity, in % of the label. */
  readonly limits: Limits;
}) {
  const option = useCallback(
    (palette: Palette) => {
      const { curve, gaps, ampHours, isWhole } = discharge;
      const byGrade = Object.entries(limits).filter(
        ([grade, share], at, all) => all.findIndex(([, other]) => other === share) === at && grade !== 'X',
      );
      const most = Math.max(ratedAmpHours * 1000, ampHours * 1000) * 1.03;
      const max = Math.ceil(most / 500) * 500;
      // A gap is marked where the charge was when it began.
      const gapMarks = gaps.slice(0, 12).map(({ seconds, fromS }) => {
        const share = fromS / Math.max(1, lastS(discharge));
        return { name: words.gapOf({ seconds: Math.round(seconds) }), xAxis: share * ampHours * 1000 };
      });
      return {
        grid: { left: 44, right: 30, top: 26, bottom: 24 },
        xAxis: {
          type: 'value',
          min: 0,
          max,
          axisLabel: {
            color: palette.inkMuted,
            fontSize: 13,
            hideOverlap: true,
            formatter: (value: number) => (value === max ? words.milliAmpHours({ value: whole(value) }) : whole(value)),
          },
          axisLine: { lineStyle: { color: palette.rule } },
          splitLine: { show: false },
        },
        yAxis: {
          type: 'value',
          min: Math.floor(cutOffVolt * 10) / 10,
          max: 'dataMax',
          axisLabel: { color: palette.inkMuted, fontSize: 13, formatter: (value: number) => number(value) },
          splitLine: { lineStyle: { color: palette.rule } },
          splitNumber: 4,
        },
        series: [
          {
            type: 'line',
            data: curve.map(({ ampHours: out, volt }) => [out * 1000, volt]),
            symbol: 'none',
            lineStyle: { color: palette.action, width: 2.5 },
            areaStyle: { color: palette.action, opacity: 0.14, origin: 'start' },
            markLine: {
              silent: true,
              symbol: 'none',
              animation: false,
              data: [
                ...byGrade.map(([grade, share]) => ({
                  xAxis: (share / 100) * ratedAmpHours * 1000,
                  lineStyle: { color: palette.twine, type: 'dashed' },
                  label: { formatter: grade, color: palette.twine, fontWeight: 700, fontSize: 13 },
                })),
                {
                  xAxis: ampHours * 1000,
                  lineStyle: { color: palette.ink, type: 'solid', width: 1.5 },
                  label: {
                    formatter: words.countedOnCurve({
                      milliAmpHours: Math.round(ampHours * 1000),
                      isWhole: isWhole ? 'yes' : 'no',
                    }),
                    position: 'insideEndBottom',
                    distance: [30, 6],
                    rotate: 0,
                    align: 'right',
                    color: palette.action,
                    fontWeight: 700,
                    fontSize: 13,
                  },
                },
                ...gapMarks.map(({ name, xAxis }) => ({
                  xAxis,
                  lineStyle: { color: palette.danger, type: 'dotted' },
                  label: {
                    formatter: name,
                    position: 'insideMiddleTop',
                    color: palette.danger,
                    fontSize: 13,
                    rotate: 0,
                  },
                })),
              ],
            },
          },
        ],
      };
    },
    [discharge, ratedAmpHours, cutOffVolt, limits],
  );
  return (
    <Chart
      says={words.curveSays({
        milliAmpHours: Math.round(discharge.ampHours * 1000),
        wattHours: discharge.wattHours,
        gaps: discharge.gaps.length,
      })}
      height={210}
      option={option}
    />
  );
}

/** About how long it took: its charge by its mean current. */
const lastS = ({ ampHours, meanAmpere }: Discharge): number => (3600 * ampHours) / Math.max(1e-9, meanAmpere);
