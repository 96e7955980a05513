'use client';
import { Box } from '@chakra-ui/react';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import { useTheme } from 'next-themes';
import { useEffect, useRef } from 'react';
import { readPalette, type Palette } from './palette';

interface ChartProps {
  readonly says: string;
  readonly height: number;
  /** Makes the option from the colours of the theme that is on. */
  readonly option: (palette: Palette) => EChartsCoreOption;
}

/** A chart that comes after the page: its library is loaded when it is shown. */
export function Chart({ says, height, option }: ChartProps) {
  const place = useRef<HTMLDivElement>(null);
  const { resolvedTheme } = useTheme();
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    let chart: EChartsType | undefined;
    let isGone = false;
    const watcher = new ResizeObserver(() => chart?.resize());
    void import('./library').then(({ init }) => {
      if (isGone) return;
      chart = init(element, null, { renderer: 'svg' });
      chart.setOption({
        animation: false,
        textStyle: { fontFamily: readPalette(element).font },
        ...option(readPalette(element)),
      });
      element.dataset.drawn = 'yes';
      watcher.observe(element);
    });
    return () => {
      isGone = true;
      watcher.disconnect();
      chart?.dispose();
    };
  }, [option, resolvedTheme]);
  return <Box ref={place} role="img" aria-label={says} h={`${height}px`} w="100%" data-chart />;
}
