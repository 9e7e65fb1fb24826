import type { EChartsCoreOption } from 'echarts/core';
import { NOISE_REACH_SIGMAS, trendAt, type AxisHistory } from '@/core/axes/axisHistory';
import { type AxisName, AXES } from '@/core/axes/axes';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });

/** Noise against the dead zone above, the ends of the travel below, over the months; trends drawn on to the forecast. */
export function historyOption(
  history: AxisHistory,
  axis: AxisName,
  deadzone: number,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const { points, noise, high, outgrows } = history;
  const color = palette[AXES[axis].ink];
  const first = points[0]?.atMs ?? 0;
  const last = points.at(-1)?.atMs ?? 1;
  const until = Math.max(last, Math.min(outgrows?.atMs ?? last, last + (last - first)));
  const reach = (sigma: number) => 100 * NOISE_REACH_SIGMAS * sigma;
  const time = (gridIndex: number, isShown: boolean) => ({
    type: 'time' as const,
    gridIndex,
    min: first,
    max: until + (until - first) * 0.04,
    axisLine: { show: false },
    axisTick: { show: false },
    splitLine: { show: false },
    axisLabel: {
      show: isShown,
      color: palette.muted,
      hideOverlap: true,
      formatter: (ms: number) => DAY.format(ms),
    },
  });
  const dots = (name: string, index: number, value: (i: number) => number) => ({
    name,
    type: 'line' as const,
    xAxisIndex: index,
    yAxisIndex: index,
    data: points.map((p, i) => [p.atMs, value(i)]),
    symbol: 'circle',
    symbolSize: 8,
    lineStyle: { color, width: 1, opacity: 0.5 },
    itemStyle: { color },
  });
  const trend = (name: string, index: number, at: (ms: number) => number) => ({
    name,
    type: 'line' as const,
    xAxisIndex: index,
    yAxisIndex: index,
    showSymbol: false,
    data: [first, until].map((ms) => [ms, at(ms)]),
    lineStyle: { color: palette.rust, width: 2, type: 'dashed' as const },
    itemStyle: { color: palette.rust },
    tooltip: { show: false },
  });
  const most = Math.max(
    100 * deadzone,
    ...points.map((p) => reach(p.noise)),
    noise ? reach(trendAt(noise, until)) : 0,
  );
  return {
    ...base,
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => `${Number(value).toFixed(2)} %` },
    axisPointer: { link: [{ xAxisIndex: 'all' as const }] },
    grid: [
      { ...PLAIN_GRID, left: 52, right: 16, top: 32, height: '42%' },
      { ...PLAIN_GRID, left: 52, right: 16, bottom: 32, height: '30%' },
    ],
    xAxis: [time(0, false), time(1, true)],
    yAxis: [
      {
        ...valueAxis(palette, 'reach of the noise (3σ), % of travel'),
        gridIndex: 0,
        min: 0,
        max: Math.ceil(most * 1.15 * 2) / 2,
        splitNumber: 4,
        nameGap: 12,
      },
      {
        ...valueAxis(palette, 'full end, % of the first capture’s'),
        gridIndex: 1,
        // What a few counts make of it is no change: an axis shows a percent at least.
        scale: true,
        min: ({ min }: { min: number }) => Math.min(99, Math.floor(min)),
        splitNumber: 3,
        nameGap: 12,
      },
    ],
    series: [
      {
        ...dots('Noise, 3σ', 0, (i) => reach(points[i]!.noise)),
        markLine: {
          silent: true,
          symbol: 'none',
          data: [
            ...(deadzone > 0
              ? [
                  {
                    yAxis: 100 * deadzone,
                    lineStyle: { color: palette.muted, type: 'dotted' as const, width: 2 },
                    label: {
                      formatter: 'dead zone in use',
                      position: 'insideStartTop' as const,
                      color: palette.muted,
                      fontSize: 13,
                    },
                  },
                ]
              : []),
            ...(outgrows && outgrows.atMs > last
              ? [
                  {
                    xAxis: outgrows.atMs,
                    lineStyle: { color: palette.rust, type: 'solid' as const, width: 1.5 },
                    label: {
                      formatter: DAY.format(outgrows.atMs),
                      position: 'insideEndTop' as const,
                      color: palette.rust,
                      fontSize: 13,
                    },
                  },
                ]
              : []),
          ],
        },
      },
      ...(noise ? [trend('Trend of the noise', 0, (ms) => reach(trendAt(noise, ms)))] : []),
      dots('Full end', 1, (i) => 100 * points[i]!.high),
      ...(high ? [trend('Trend of the end', 1, (ms) => 100 * trendAt(high, ms))] : []),
    ],
  };
}
