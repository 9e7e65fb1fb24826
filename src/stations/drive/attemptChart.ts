import type { EChartsCoreOption } from 'echarts/core';
import type { DrillPicture } from '@/core/drills/drillPicture';
import { mean } from '@/core/numeric/moments';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

/** Presses as a row, with their mean; or what changed with time, one axis for each unit. */
export function attemptOption(
  picture: Exclude<DrillPicture, { kind: 'way' }>,
  palette: ChartPalette,
): EChartsCoreOption {
  return picture.kind === 'row' ? rowOption(picture.values, palette) : timeOption(picture.lines, palette);
}

function rowOption(values: readonly number[], palette: ChartPalette): EChartsCoreOption {
  const base = chartBase(palette);
  const percent = (v: number) => Math.round(1000 * v) / 10;
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 48, right: 16, top: 24, bottom: 36 },
    xAxis: {
      type: 'category',
      name: 'press',
      data: values.map((_, i) => i + 1),
      axisLabel: { color: palette.muted },
    },
    yAxis: { ...valueAxis(palette, 'peak %'), min: 0, max: 100 },
    series: [
      {
        name: 'peak',
        type: 'bar',
        barWidth: '45%',
        data: values.map(percent),
        itemStyle: { color: palette.brake },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { formatter: 'mean', color: palette.muted },
          lineStyle: { color: palette.muted, type: 'dashed' },
          data: [{ yAxis: percent(mean(values)) }],
        },
      },
    ],
  };
}

const STROKES = ['solid', 'dashed', 'dotted'] as const;

function timeOption(
  lines: Extract<DrillPicture, { kind: 'time' }>['lines'],
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const units = [...new Set(lines.map(({ unit }) => unit))];
  const ink = { rim: palette.steering, brake: palette.brake, speed: palette.ink } as Record<string, string>;
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 52, right: units.length > 1 ? 52 : 16, top: 28, bottom: 40 },
    xAxis: { ...valueAxis(palette, 's'), nameLocation: 'middle', nameGap: 26 },
    yAxis: units.map((unit, i) => ({
      ...valueAxis(palette, unit),
      position: i === 0 ? 'left' : 'right',
      scale: false,
    })),
    series: lines.map(({ name, unit, points }, i) => ({
      name,
      type: 'line',
      yAxisIndex: Math.min(1, units.indexOf(unit)),
      data: points,
      symbol: 'none',
      lineStyle: { color: ink[name] ?? palette.rust, width: 2, type: STROKES[i % STROKES.length] },
      itemStyle: { color: ink[name] ?? palette.rust },
    })),
  };
}
