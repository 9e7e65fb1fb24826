import type { EChartsCoreOption } from 'echarts/core';
import type { LaunchAdvice } from '@/core/launch/recommendLaunch';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

/** Time over 60 m by the hold: exact as a line, four starts in five as points; shaded where the wheels run away. */
export function launchOption(
  { holds, exactBest, recommended }: LaunchAdvice,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const percent = (hold: number) => Math.round(1000 * hold) / 10;
  const away = holds.filter(({ awayShare }) => awayShare > 0.5).map(({ hold }) => hold);
  const from = percent(holds[0]!.hold);
  const edge = percent((exactBest + Math.max(...away, holds[0]!.hold)) / 2);
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 56, right: 20, top: 30, bottom: 48 },
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => `${Number(v).toFixed(2)} s` },
    xAxis: {
      ...valueAxis(palette, 'hold, % of the clutch’s travel (100 pressed)'),
      nameLocation: 'middle',
      nameGap: 30,
      min: from,
      max: percent(holds.at(-1)!.hold),
    },
    yAxis: { ...valueAxis(palette, '60 m, s'), scale: true },
    series: [
      {
        name: 'exact',
        type: 'line',
        data: holds.map(({ hold, exactS }) => [percent(hold), exactS]),
        symbol: 'none',
        lineStyle: { color: palette.clutch, width: 2 },
        itemStyle: { color: palette.clutch },
        markArea: {
          silent: true,
          itemStyle: { color: palette.rust, opacity: 0.12 },
          label: { color: palette.rust, position: 'insideTop' },
          data: [[{ name: 'wheels run away', xAxis: from }, { xAxis: edge }]],
        },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: palette.lichen, width: 2, type: 'solid' },
          label: { color: palette.ink, formatter: `${percent(recommended)} %` },
          data: [{ xAxis: percent(recommended) }],
        },
      },
      {
        name: 'four in five',
        type: 'scatter',
        data: holds.map(({ hold, t60P80 }) => [percent(hold), t60P80]),
        symbolSize: 8,
        itemStyle: { color: palette.ink },
      },
    ],
  };
}
