import type { EChartsCoreOption } from 'echarts/core';
import type { FinderRide } from '@/core/experiment/finder/answers';
import type { JndPair } from '@/core/experiment/questions/jnd';
import type { Best } from '@/core/experiment/finder/findBest';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

const LEFT = { left: 64, right: 24, top: 36, bottom: 48 };

/** A count along the bottom: rides or pairs, in order. */
const along = (palette: ChartPalette, name: string, count: number) => ({
  ...valueAxis(palette, name),
  nameLocation: 'middle' as const,
  nameGap: 28,
  min: 0,
  max: count + 1,
  interval: 1,
  splitLine: { show: false },
  axisLabel: { color: palette.muted, formatter: (v: number) => (v >= 1 && v <= count ? String(v) : '') },
});

/** One measure of each ride in the order of driving: A circles, B triangles, their means as lines. */
export function ridesOption(
  rides: readonly { side: 'A' | 'B'; value: number }[],
  label: string,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const side = (name: 'A' | 'B', color: string, symbol: string, type: string) => {
    const own = rides.flatMap((ride, i) => (ride.side === name ? [[i + 1, ride.value]] : []));
    const mean = own.reduce((a, [, v]) => a + v!, 0) / own.length;
    return {
      name,
      type: 'scatter' as const,
      data: own,
      symbol,
      symbolSize: 12,
      itemStyle: { color },
      markLine: {
        silent: true,
        symbol: 'none',
        data: own.length > 0 ? [{ yAxis: mean }] : [],
        lineStyle: { color, type, width: 1.6 },
        label: { formatter: name, color, position: 'end' as const },
      },
    };
  };
  return {
    ...base,
    tooltip: { ...base.tooltip, trigger: 'item' },
    grid: { ...PLAIN_GRID, ...LEFT },
    xAxis: along(palette, 'ride', rides.length),
    yAxis: { ...valueAxis(palette, label), scale: true },
    series: [side('A', palette.sideA, 'circle', 'solid'), side('B', palette.sideB, 'triangle', 'dashed')],
  };
}

/** A bet against guessing, pair by pair, on a scale of factors; the level that somebody who guesses seldom reaches. */
export function scoreOption(
  scores: readonly number[],
  shownAt: number,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  return {
    ...base,
    grid: { ...PLAIN_GRID, ...LEFT },
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => Number(v).toFixed(2) },
    xAxis: along(palette, 'pair', scores.length - 1),
    yAxis: {
      ...valueAxis(palette, 'score'),
      type: 'log' as const,
      min: 0.1,
      max: Math.max(100, ...scores),
      axisLabel: { color: palette.muted },
    },
    series: [
      {
        name: 'score',
        type: 'line' as const,
        data: scores.map((v, i) => [i, Math.max(0.1, v)]),
        symbol: 'circle',
        symbolSize: 8,
        lineStyle: { color: palette.ink, width: 2 },
        itemStyle: { color: palette.ink },
        markLine: {
          silent: true,
          symbol: 'none',
          data: [{ yAxis: shownAt }],
          lineStyle: { color: palette.muted, type: 'dashed' },
          label: {
            formatter: `shown at ${shownAt}`,
            color: palette.muted,
            position: 'insideEndTop' as const,
          },
        },
      },
    ],
  };
}

/**
 * How far apart the rides of each pair were, and whether the greater one was named; what is just noticed as a line in its interval.
 * @param most how far apart they could be: the picture ends there, whatever the answers leave open
 */
export function jndOption(
  pairs: readonly JndPair[],
  { jnd, low, high }: { jnd: number; low: number; high: number },
  most: number,
  label: string,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const answered = (name: string, isRight: boolean, itemStyle: object) => ({
    name,
    type: 'scatter' as const,
    data: pairs.flatMap((pair, i) => (pair.isRight === isRight ? [[i + 1, pair.apart]] : [])),
    symbol: 'circle',
    symbolSize: 11,
    itemStyle,
  });
  return {
    ...base,
    tooltip: { ...base.tooltip, trigger: 'item' },
    grid: { ...PLAIN_GRID, ...LEFT },
    xAxis: { ...along(palette, 'pair', pairs.length), interval: pairs.length > 20 ? 5 : 1 },
    yAxis: { ...valueAxis(palette, label), min: 0, max: most },
    series: [
      {
        ...answered('named right', true, { color: palette.ink }),
        markArea: {
          silent: true,
          itemStyle: { color: palette.lichen, opacity: 0.18 },
          data: low < most ? [[{ yAxis: low }, { yAxis: Math.min(high, most) }]] : [],
        },
        markLine: {
          silent: true,
          symbol: 'none',
          data: jnd <= most ? [{ yAxis: jnd }] : [],
          lineStyle: { color: palette.lichen, width: 2, type: 'solid' },
          label: { show: false },
        },
      },
      answered('named wrong', false, { color: 'transparent', borderColor: palette.ink, borderWidth: 2 }),
    ],
  };
}

/** Values that were tried ride by ride, with the wish for more or less, and where the best is believed to lie. */
export function searchOption(
  key: string,
  rides: readonly FinderRide[],
  range: { min: number; max: number },
  best: Best,
  label: string,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const wish = (of: 'more' | 'less' | 'right', symbol: string, rotate: number) => ({
    name: of,
    type: 'scatter' as const,
    data: rides.flatMap((ride, i) =>
      (ride.wants[key] ?? 'right') === of ? [[i + 1, ride.values[key]]] : [],
    ),
    symbol,
    symbolRotate: rotate,
    symbolSize: 14,
    itemStyle: { color: palette.ink },
  });
  return {
    ...base,
    tooltip: { ...base.tooltip, trigger: 'item' },
    grid: { ...PLAIN_GRID, ...LEFT },
    xAxis: along(palette, 'ride', Math.max(4, rides.length)),
    yAxis: { ...valueAxis(palette, label), min: range.min, max: range.max },
    series: [
      wish('more', 'triangle', 0),
      wish('less', 'triangle', 180),
      {
        ...wish('right', 'circle', 0),
        markArea: {
          silent: true,
          itemStyle: { color: palette.lichen, opacity: 0.18 },
          data: [[{ yAxis: best.low }, { yAxis: best.high }]],
        },
        markLine: {
          silent: true,
          symbol: 'none',
          data: [{ yAxis: best.value }],
          lineStyle: { color: palette.lichen, width: 2, type: 'solid' },
          label: { show: false },
        },
      },
    ],
  };
}
