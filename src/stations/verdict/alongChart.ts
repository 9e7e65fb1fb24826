import type { EChartsCoreOption } from 'echarts/core';
import type { AlongCompared } from '@/core/experiment/alongPairs';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';
import { ALONG_WORDS } from '@/words/along';

const GRID = { ...PLAIN_GRID, left: 56, right: 16 };

/** Above A solid and B dashed, below B − A with its band; where the band excludes nothing is shaded. */
export function alongOption(
  { channel, a, b, difference, low, high, shown }: AlongCompared,
  stepM: number,
  palette: ChartPalette,
): EChartsCoreOption {
  const { label, unit, times, digits } = ALONG_WORDS[channel];
  const base = chartBase(palette);
  const points = (values: readonly number[]) => values.map((v, i) => [i * stepM, times * v]);
  const line = (name: string, values: readonly number[], color: string, type: string, at: number) => ({
    name,
    type: 'line' as const,
    xAxisIndex: at,
    yAxisIndex: at,
    data: points(values),
    symbol: 'none',
    lineStyle: { color, width: 2, type },
    itemStyle: { color },
  });
  const bottom = (index: number, isLast: boolean) => ({
    ...valueAxis(palette, isLast ? 'distance, m' : ''),
    gridIndex: index,
    nameLocation: 'middle' as const,
    nameGap: 26,
    min: 0,
    max: (a.length - 1) * stepM,
    splitLine: { show: false },
    axisLabel: { color: palette.muted, show: isLast, showMaxLabel: false },
  });
  const isTime = channel === 'time';
  const band =
    low && high
      ? [
          {
            ...line('band from', low, palette.muted, 'dotted', 1),
            lineStyle: { color: palette.muted, width: 1, type: 'dotted' },
          },
          {
            ...line('band to', high, palette.muted, 'dotted', 1),
            lineStyle: { color: palette.muted, width: 1, type: 'dotted' },
          },
        ]
      : [];
  return {
    ...base,
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    dataZoom: [{ type: 'inside', xAxisIndex: [0, 1] }],
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => `${Number(v).toFixed(digits)} ${unit}` },
    grid: [
      { ...GRID, top: 30, height: isTime ? 0 : 110 },
      { ...GRID, top: isTime ? 40 : 190, bottom: 44 },
    ],
    xAxis: [bottom(0, false), bottom(1, true)],
    yAxis: [
      { ...valueAxis(palette, isTime ? '' : `${label}, ${unit}`), gridIndex: 0, scale: true, show: !isTime },
      { ...valueAxis(palette, isTime ? 'B behind A, s' : `B − A, ${unit}`), gridIndex: 1 },
    ],
    series: [
      ...(isTime ? [] : [line('A', a, palette.sideA, 'solid', 0), line('B', b, palette.sideB, 'dashed', 0)]),
      {
        ...line('B − A', difference, palette.ink, 'solid', 1),
        markLine: {
          silent: true,
          symbol: 'none',
          data: [{ yAxis: 0 }],
          lineStyle: { color: palette.muted, type: 'solid', width: 1 },
          label: { show: false },
        },
        markArea: {
          silent: true,
          itemStyle: { color: palette.rust, opacity: 0.16 },
          data: shown.map(({ fromM, toM }) => [{ xAxis: fromM }, { xAxis: toM }]),
        },
      },
      ...band,
    ],
  };
}
