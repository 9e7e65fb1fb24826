import type { EChartsCoreOption } from 'echarts/core';
import type { GripCue } from '@/core/force/balance';
import type { ClipKind } from '@/core/force/clipEvents';
import type { SignalJudgement } from '@/core/force/judgeForce';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

/** A mark for each kind of clipping, told by its shape. */
export const CLIP_MARKS: Record<ClipKind, { symbol: string; words: string }> = {
  sustained: { symbol: 'rect', words: 'held at the limit' },
  impact: { symbol: 'triangle', words: 'a hit' },
  short: { symbol: 'circle', words: 'short' },
};
const MARK_SIZE: Record<ClipKind, number> = { sustained: 9, impact: 10, short: 6 };
/** Where the marks lie, and how much is drawn beyond full scale, percent. */
const MARKS_AT = 128;
const SHOWN = 150;

/** The force over one lap, full scale as two lines, clipped stretches marked above by kind. */
export function forceOption(
  { trace }: Pick<SignalJudgement, 'trace'>,
  ghost: SignalJudgement | null,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const along = (level: number[]) =>
    level.map((v, i) => [i * trace.stepM, Math.max(-SHOWN, Math.min(SHOWN, 100 * v))]);
  const marks = (kind: ClipKind) =>
    trace.kind.flatMap((k, i) => (k === kind ? [[i * trace.stepM, MARKS_AT]] : []));
  return {
    ...base,
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => `${Number(v).toFixed(0)} %` },
    dataZoom: [{ type: 'inside' }],
    grid: { ...PLAIN_GRID, left: 52, right: 16, top: 28, bottom: 44 },
    xAxis: {
      ...valueAxis(palette, 'distance, m'),
      min: 0,
      max: (trace.level.length - 1) * trace.stepM,
      nameLocation: 'middle',
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      nameGap: 26,
      splitLine: { show: false },
      axisLabel: { color: palette.muted, showMaxLabel: false, formatter: (v: number) => v.toFixed(0) },
    },
    yAxis: { ...valueAxis(palette, 'force, % of full scale'), min: -SHOWN, max: SHOWN, interval: 50 },
    series: [
      ...(ghost
        ? [
            {
              name: 'Kept',
              type: 'line',
              showSymbol: false,
              data: along(ghost.trace.level),
              lineStyle: { color: palette.muted, width: 1, type: 'dashed' },
              itemStyle: { color: palette.muted },
            },
          ]
        : []),
      {
        name: 'Force',
        type: 'line',
        showSymbol: false,
        data: along(trace.level),
        lineStyle: { color: palette.rust, width: 1.4 },
        itemStyle: { color: palette.rust },
        areaStyle: { color: palette.rust, opacity: 0.16 },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: palette.ink, width: 1, type: 'solid' },
          label: { show: false },
          data: [{ yAxis: 100 }, { yAxis: -100 }],
        },
      },
      ...(Object.keys(CLIP_MARKS) as ClipKind[]).map((kind) => ({
        name: `Clipped: ${CLIP_MARKS[kind].words}`,
        type: 'scatter',
        data: marks(kind),
        symbol: CLIP_MARKS[kind].symbol,
        symbolSize: MARK_SIZE[kind],
        itemStyle: { color: palette.ink },
        tooltip: { show: false },
        silent: true,
      })),
    ],
  };
}

/** Largest share of the time that the sorted curve shows, percent. */
const CURVE_SHOWN = 20;

/** The force sorted from its highest: how much of the time lies above the limit, now and as kept. */
export function sortedOption(
  judgement: SignalJudgement,
  ghost: SignalJudgement | null,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const points = ({ sorted }: SignalJudgement) =>
    sorted
      .filter(({ share }) => 100 * share <= CURVE_SHOWN)
      .map(({ share, level }) => [100 * share, 100 * level]);
  const line = (name: string, data: number[][], color: string, type: string, width: number) => ({
    name,
    type: 'line',
    showSymbol: false,
    data,
    lineStyle: { color, width, type },
    itemStyle: { color },
  });
  const top = Math.max(120, ...points(judgement).map(([, y]) => y!));
  return {
    ...base,
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => `${Number(v).toFixed(0)} %` },
    grid: { ...PLAIN_GRID, left: 52, right: 16, top: 28, bottom: 44 },
    xAxis: {
      ...valueAxis(palette, 'of the time, %'),
      min: 0,
      max: CURVE_SHOWN,
      nameLocation: 'middle',
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      nameGap: 26,
    },
    yAxis: {
      ...valueAxis(palette, 'force is above, %'),
      min: 0,
      max: Math.ceil(top / 50) * 50,
      interval: 50,
    },
    series: [
      ...(ghost ? [line('Kept', points(ghost), palette.muted, 'dashed', 1)] : []),
      {
        ...line('Force', points(judgement), palette.rust, 'solid', 2),
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: palette.ink, width: 1, type: 'solid' },
          label: { show: false },
          data: [{ yAxis: 100 }],
        },
      },
    ],
  };
}

const TRACE_STEP_S = 0.01;

/** The two lines of a let-go rim: name, stroke, and how the legend draws it. */
export const LET_GO = {
  roll: { name: 'Slow roll', stroke: 'dashed', mark: '╍╍' },
  fast: { name: 'At speed', stroke: 'solid', mark: '━━' },
} as const;

/** The rim after it is let go, at a slow roll and at speed. */
export function letGoOption(
  roll: readonly number[],
  fast: readonly number[],
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const points = (trace: readonly number[]) => trace.map((deg, i) => [i * TRACE_STEP_S, deg]);
  const most = Math.max(6, ...roll.map(Math.abs), ...fast.map(Math.abs));
  const end = Math.ceil(most / 5) * 5;
  const line = (name: string, trace: readonly number[], type: string) => ({
    name,
    type: 'line',
    showSymbol: false,
    data: points(trace),
    lineStyle: { color: palette.steering, width: 2, type },
    itemStyle: { color: palette.steering },
  });
  return {
    ...base,
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => `${Number(v).toFixed(1)}°` },
    grid: { ...PLAIN_GRID, left: 52, right: 16, top: 28, bottom: 44 },
    xAxis: {
      ...valueAxis(palette, 'seconds after it is let go'),
      min: 0,
      max: 6,
      nameLocation: 'middle',
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      nameGap: 26,
    },
    yAxis: { ...valueAxis(palette, 'rim, °'), min: -end, max: end },
    series: [
      line(LET_GO.roll.name, roll, LET_GO.roll.stroke),
      line(LET_GO.fast.name, fast, LET_GO.fast.stroke),
    ],
  };
}

/** Grip and torque of the fronts over their slip: where the rim begins to say that grip will end. */
export function cueOption({ curve }: GripCue, palette: ChartPalette): EChartsCoreOption {
  const base = chartBase(palette);
  const line = (name: string, key: 'side' | 'torque', color: string, type: string, width: number) => ({
    name,
    type: 'line',
    showSymbol: false,
    data: curve.map((point) => [point.slipDeg, 100 * point[key]]),
    lineStyle: { color, width, type },
    itemStyle: { color },
    endLabel: { show: true, formatter: name, color: palette.muted, fontSize: 13, offset: [-60, -12] },
  });
  return {
    ...base,
    tooltip: { ...base.tooltip, valueFormatter: (v: unknown) => `${Number(v).toFixed(0)} %` },
    grid: { ...PLAIN_GRID, left: 52, right: 16, top: 28, bottom: 44 },
    xAxis: {
      ...valueAxis(palette, 'slip of the front tyres, °'),
      min: 0,
      max: 'dataMax',
      nameLocation: 'middle',
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      nameGap: 26,
      axisLabel: { color: palette.muted, showMaxLabel: false, formatter: (v: number) => v.toFixed(0) },
    },
    yAxis: { ...valueAxis(palette, 'of the greatest, %'), min: 0, max: 125, interval: 25 },
    series: [
      line('Grip', 'side', palette.ink, 'dashed', 1.6),
      line('Rim', 'torque', palette.rust, 'solid', 2.4),
    ],
  };
}
