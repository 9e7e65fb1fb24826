import type { EChartsCoreOption } from 'echarts/core';
import type { CatchTrade } from '@/core/force/catchTrade';
import { CATCHES_S } from '@/core/force/halfTurn';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

/** Half a turn by the damper; under the first line nearly every slide is caught, over the second hardly one; where it is calm, and now. */
export function tradeOption(
  { points, atCalm }: CatchTrade,
  nowNms: number,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const across = (y: number, name: string, position: 'insideEndTop' | 'insideEndBottom') => ({
    ...{ yAxis: y, name },
    lineStyle: { type: 'dotted' as const },
    label: { position },
  });
  const up = (x: number, name: string, color: string) => ({
    ...{ xAxis: x, name },
    lineStyle: { type: 'dashed' as const, color },
    label: { color, position: 'end' as const },
  });
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 56, right: 24, top: 28, bottom: 44 },
    xAxis: {
      ...valueAxis(palette, 'damper N·m·s/rad'),
      nameLocation: 'middle',
      nameGap: 28,
      max: points.at(-1)!.damperNms,
    },
    yAxis: { ...valueAxis(palette, 'half a turn s'), min: 0, max: 0.6 },
    series: [
      {
        name: 'half a turn',
        type: 'line',
        data: points.map(({ damperNms, halfTurnS }) => [damperNms, halfTurnS]),
        symbol: 'none',
        lineStyle: { color: palette.steering, width: 2.5 },
        itemStyle: { color: palette.steering },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { formatter: '{b}', color: palette.muted },
          lineStyle: { color: palette.muted },
          data: [
            across(CATCHES_S[0], 'under it nearly every slide is caught', 'insideEndBottom'),
            across(CATCHES_S[1], 'over it hardly one', 'insideEndTop'),
            ...(atCalm ? [up(atCalm.damperNms, 'calm', palette.lichen)] : []),
            up(nowNms, 'now', palette.ink),
          ],
        },
      },
    ],
  };
}
