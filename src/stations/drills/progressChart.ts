import type { EChartsCoreOption } from 'echarts/core';
import { expectedNext } from '@/core/drills/history';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

/** Of each attempt: what it came to, and where nine in ten were expected by those before it. */
export function progressRows(values: readonly number[]) {
  return values.map((value, i) => {
    const expected = expectedNext(values.slice(0, i));
    return { attempt: i + 1, value, low: expected?.low ?? null, high: expected?.high ?? null };
  });
}

/** Attempts as points over the band in which they were expected. */
export function progressOption(
  values: readonly number[],
  { label, times }: { label: string; times: number },
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const rows = progressRows(values.map((v) => v * times));
  const edge = (of: 'low' | 'high') => rows.map((row) => [row.attempt, row[of]]);
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 60, right: 20, top: 30, bottom: 48 },
    xAxis: {
      ...valueAxis(palette, 'attempt'),
      nameLocation: 'middle',
      nameGap: 30,
      min: 1,
      minInterval: 1,
      max: Math.max(2, rows.length),
    },
    yAxis: { ...valueAxis(palette, label), scale: true },
    series: [
      ...(['low', 'high'] as const).map((of) => ({
        name: of === 'low' ? 'expected from' : 'expected to',
        type: 'line',
        data: edge(of),
        symbol: 'none',
        lineStyle: { color: palette.muted, width: 1.5, type: 'dashed' },
        itemStyle: { color: palette.muted },
      })),
      {
        name: 'attempt',
        type: 'line',
        data: rows.map(({ attempt, value }) => [attempt, value]),
        symbol: 'circle',
        symbolSize: 9,
        lineStyle: { color: palette.steering, width: 1, opacity: 0.5 },
        itemStyle: { color: palette.steering },
      },
    ],
  };
}
