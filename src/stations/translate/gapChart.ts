import type { EChartsCoreOption } from 'echarts/core';
import { respond } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

const STEPS = 200;

/** Travel, what it gives there, what it gives here, all in percent. */
export function gapPoints(there: ResponseLayer, here: ResponseLayer): [number, number, number][] {
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const x = i / STEPS;
    return [100 * x, 100 * respond([there], x), 100 * respond([here], x)];
  });
}

/** The curve that was meant, the nearest that can be set here, and the gap between them. */
export function gapOption(
  there: ResponseLayer,
  here: ResponseLayer,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const points = gapPoints(there, here);
  const axis = (name: string) => ({
    ...valueAxis(palette, name),
    min: 0,
    max: 100,
    interval: 25,
    nameLocation: 'middle' as const,
    nameTextStyle: { color: palette.muted, fontSize: 13 },
  });
  const band = {
    stack: 'gap',
    showSymbol: false,
    lineStyle: { width: 0 },
    silent: true,
    tooltip: { show: false },
  };
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 52, right: 24, top: 28, bottom: 44 },
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => `${Number(value).toFixed(1)} %` },
    xAxis: { ...axis('travel, %'), nameGap: 28 },
    yAxis: { ...axis('in the car, %'), nameGap: 32 },
    series: [
      { ...band, name: 'lower', type: 'line', data: points.map(([x, a, b]) => [x, Math.min(a, b)]) },
      {
        ...band,
        name: 'gap',
        type: 'line',
        data: points.map(([x, a, b]) => [x, Math.abs(a - b)]),
        areaStyle: { color: palette.rust, opacity: 0.35 },
      },
      {
        name: 'meant',
        type: 'line',
        showSymbol: false,
        data: points.map(([x, a]) => [x, a]),
        lineStyle: { color: palette.sideA, width: 3 },
        itemStyle: { color: palette.sideA },
      },
      {
        name: 'here',
        type: 'line',
        showSymbol: false,
        data: points.map(([x, , b]) => [x, b]),
        lineStyle: { color: palette.sideB, width: 3, type: 'dashed' },
        itemStyle: { color: palette.sideB },
      },
    ],
  };
}
