import { inUnit, speedWord, type SpeedUnit } from '@/core/text/speedUnit';
import type { EChartsCoreOption } from 'echarts/core';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';
import type { RideTrace } from '@/book/model/rideTrace';

/** The throttle's stroke, everywhere. */
const DASH_DOT = [8, 4, 2, 4];

/** Speed above, pedals below, over one lap; the crosshair runs through both. */
export function rideOption(trace: RideTrace, palette: ChartPalette, unit: SpeedUnit): EChartsCoreOption {
  const base = chartBase(palette);
  const along = (values: number[], scale = 1) => values.map((v, i) => [i * trace.stepM, v * scale]);
  const lengthM = (trace.speed.length - 1) * trace.stepM;
  const distance = (gridIndex: number, shown: boolean) => ({
    ...valueAxis(palette, shown ? 'distance, m' : ''),
    gridIndex,
    min: 0,
    max: lengthM,
    nameLocation: 'middle' as const,
    nameGap: 26,
    nameTextStyle: { color: palette.muted, fontSize: 13 },
    splitLine: { show: false },
    axisLabel: {
      show: shown,
      color: palette.muted,
      showMaxLabel: false,
      formatter: (v: number) => v.toFixed(0),
    },
  });
  const line = (
    name: string,
    index: number,
    data: number[][],
    color: string,
    width: number,
    type: string | number[],
  ) => ({
    name,
    type: 'line' as const,
    xAxisIndex: index,
    yAxisIndex: index,
    showSymbol: false,
    data,
    lineStyle: { color, width, type },
    itemStyle: { color },
  });
  return {
    ...base,
    axisPointer: { link: [{ xAxisIndex: 'all' as const }] },
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => Number(value).toFixed(1) },
    dataZoom: [{ type: 'inside', xAxisIndex: [0, 1] }],
    grid: [
      { ...PLAIN_GRID, left: 44, right: 16, top: 32, height: '40%' },
      { ...PLAIN_GRID, left: 44, right: 16, bottom: 44, height: '32%' },
    ],
    xAxis: [distance(0, false), distance(1, true)],
    yAxis: [
      { ...valueAxis(palette, speedWord(unit)), gridIndex: 0, nameGap: 12 },
      { ...valueAxis(palette, 'pedals, %'), gridIndex: 1, min: 0, max: 100, interval: 50, nameGap: 12 },
    ],
    series: [
      line(`Speed, ${speedWord(unit)}`, 0, along(trace.speed, inUnit(1, unit)), palette.ink, 1.6, 'solid'),
      line('Throttle, %', 1, along(trace.throttle, 100), palette.throttle, 1.6, DASH_DOT),
      line('Brake, %', 1, along(trace.brake, 100), palette.brake, 2.6, 'solid'),
    ],
  };
}
