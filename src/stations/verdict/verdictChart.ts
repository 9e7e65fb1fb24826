import type { EChartsCoreOption } from 'echarts/core';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';
import type { RideTrace } from '@/book/model/rideTrace';

const MARK_EVERY = 50;

/** Brake over distance: A solid with circles, B dashed with triangles. */
export function verdictOption(a: RideTrace, b: RideTrace, palette: ChartPalette): EChartsCoreOption {
  const base = chartBase(palette);
  const side = (
    name: string,
    trace: RideTrace,
    color: string,
    type: string,
    symbol: string,
    first: number,
  ) => ({
    name,
    type: 'line' as const,
    data: trace.brake.map((v, i) => [i * trace.stepM, 100 * v]),
    symbol: (_: unknown, params: { dataIndex: number }) =>
      params.dataIndex % MARK_EVERY === first ? symbol : 'none',
    symbolSize: 8,
    showAllSymbol: true,
    lineStyle: { color, width: 2.2, type },
    itemStyle: { color },
  });
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 44, right: 16, top: 32, bottom: 44 },
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => `${Number(value).toFixed(1)} %` },
    dataZoom: [{ type: 'inside' }],
    xAxis: {
      ...valueAxis(palette, 'distance, m'),
      nameLocation: 'middle',
      nameGap: 26,
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      min: 0,
      max: (a.brake.length - 1) * a.stepM,
      splitLine: { show: false },
      axisLabel: { color: palette.muted, showMaxLabel: false, formatter: (v: number) => v.toFixed(0) },
    },
    yAxis: { ...valueAxis(palette, 'brake, %'), min: 0, max: 100, interval: 25, nameGap: 12 },
    series: [
      side('A', a, palette.sideA, 'solid', 'circle', 10),
      side('B', b, palette.sideB, 'dashed', 'triangle', 35),
    ],
  };
}
