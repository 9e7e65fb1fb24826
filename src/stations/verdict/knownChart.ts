import type { EChartsCoreOption } from 'echarts/core';
import type { SettingKnown } from '@/book/model/settingKnown';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';
import { date } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';

/** Room for the longest question beside its row. */
const GRID = { left: 172, right: 32, top: 24, bottom: 52 };

/**
 * Questions from top to bottom, oldest first, over the values of their setting: what was tried and wished, what was compared, where
 * the best lies.
 */
export function knownOption(
  { rows, best }: SettingKnown,
  { min, max }: { min: number; max: number },
  name: string,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const marks = (of: 'more' | 'less' | 'tried', symbol: string, rotate: number) => ({
    name: of,
    type: 'scatter' as const,
    data: rows.flatMap(({ tried }, row) =>
      tried.flatMap(({ value, wants }) =>
        (wants === 'more' || wants === 'less' ? wants : 'tried') === of ? [[value, row]] : [],
      ),
    ),
    symbol,
    symbolRotate: rotate,
    symbolSize: 12,
    itemStyle: { color: palette.ink },
    z: 3,
  });
  const line = (
    data: number[][],
    style: { color: string; width: number; type?: string; opacity?: number },
  ) => ({
    type: 'line' as const,
    data,
    symbol: 'none',
    silent: true,
    lineStyle: style,
  });
  const pairs = rows.flatMap(({ pair }, row) =>
    pair
      ? [
          line(
            [
              [pair.a, row],
              [pair.b, row],
            ],
            { color: palette.ink, width: 2, type: pair.isShown ? 'solid' : 'dashed' },
          ),
        ]
      : [],
  );
  const intervals = rows.flatMap((of, row) =>
    of.best
      ? [
          line(
            [
              [of.best.low, row],
              [of.best.high, row],
            ],
            { color: palette.lichen, width: 16, opacity: 0.35 },
          ),
        ]
      : [],
  );
  return {
    ...base,
    tooltip: { ...base.tooltip, trigger: 'item' },
    grid: { ...PLAIN_GRID, ...GRID },
    xAxis: { ...valueAxis(palette, name), min, max, nameLocation: 'middle' as const, nameGap: 32 },
    yAxis: {
      type: 'category' as const,
      inverse: true,
      data: rows.map(({ question, atMs }) => `${QUESTION_WORDS[question].ask}\n${date(atMs)}`),
      axisLabel: { color: palette.muted, lineHeight: 18 },
      axisLine: { show: false },
      axisTick: { show: false },
      splitLine: { show: true, lineStyle: { color: palette.line } },
    },
    series: [
      ...intervals,
      ...pairs,
      marks('more', 'triangle', 0),
      marks('less', 'triangle', 180),
      {
        ...marks('tried', 'circle', 0),
        markArea: {
          silent: true,
          itemStyle: { color: palette.lichen, opacity: 0.14 },
          data: best ? [[{ xAxis: best.low }, { xAxis: best.high }]] : [],
        },
      },
    ],
  };
}
