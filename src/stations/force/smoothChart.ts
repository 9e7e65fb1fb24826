import type { EChartsCoreOption } from 'echarts/core';
import type { Smoothness } from '@/core/force/detail';
import type { OnCentre } from '@/core/force/onCentre';
import { frontier, type SmoothPoint } from '@/core/force/smoothing';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

const GRID = { ...PLAIN_GRID, left: 52, right: 16, top: 28, bottom: 54 };
const below = (palette: ChartPalette, name: string) => ({
  ...valueAxis(palette, name),
  nameLocation: 'middle' as const,
  nameTextStyle: { color: palette.muted, fontSize: 13 },
  nameGap: 26,
});

/** Detail against roughness: every smoothing of the base, what is possible, the one in force and the one that was kept. */
export function frontierOption(
  points: SmoothPoint[],
  now: Smoothness,
  kept: Smoothness | null,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const at = ({ roughness, detail }: { roughness: number; detail: number | null }) => [
    roughness,
    100 * (detail ?? 0),
  ];
  const most = Math.max(2, ...points.map(({ roughness }) => roughness), now.roughness);
  const spot = (name: string, one: Smoothness, isNow: boolean) => ({
    name,
    type: 'scatter',
    data: [at(one)],
    symbol: 'circle',
    symbolSize: isNow ? 15 : 13,
    itemStyle: {
      color: isNow ? palette.rust : palette.ground,
      borderColor: isNow ? palette.rust : palette.muted,
      borderWidth: 2,
    },
    label: {
      show: true,
      formatter: name,
      position: isNow ? 'bottom' : 'top',
      distance: 8,
      color: palette.ink,
      fontSize: 13,
    },
    silent: true,
    z: 5,
  });
  return {
    ...base,
    tooltip: { ...base.tooltip, trigger: 'item', formatter: pointText(points) },
    grid: GRID,
    xAxis: { ...below(palette, 'roughness, × the title’s own'), min: 0, max: Math.ceil(2 * most) / 2 },
    yAxis: { ...valueAxis(palette, 'detail kept, %'), min: 0, max: 100, interval: 25 },
    series: [
      {
        name: 'Possible',
        type: 'line',
        data: frontier(points).map(at),
        showSymbol: false,
        lineStyle: { color: palette.muted, width: 1, type: 'dashed' },
        itemStyle: { color: palette.muted },
        silent: true,
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: palette.line, width: 1, type: 'solid' },
          label: { show: false },
          data: [{ xAxis: 1 }],
        },
      },
      {
        name: 'Smoothing',
        type: 'scatter',
        data: points.map(at),
        symbol: 'diamond',
        symbolSize: 8,
        itemStyle: { color: palette.ink },
      },
      ...(kept ? [spot('kept', kept, false)] : []),
      spot('now', now, true),
    ],
  };
}

/** "Smoothing 3: 78 % kept, 1.1 times as rough". */
const pointText = (points: SmoothPoint[]) => (item: { seriesName?: string; dataIndex: number }) => {
  const point = item.seriesName === 'Smoothing' ? points[item.dataIndex] : undefined;
  if (!point) return '';
  const set = [
    point.smoothing === null ? '' : `smoothing ${point.smoothing}`,
    point.interpolation === null ? '' : `interpolation ${point.interpolation}`,
  ].filter(Boolean);
  return `${set.join(', ')}: ${(100 * point.detail).toFixed(0)} % kept, ${point.roughness.toFixed(1)} times as rough`;
};

/** On two lines: five of them stand side by side in a narrow picture. */
const bandName = ({ fromHz, toHz }: { fromHz: number; toHz: number }) => `${fromHz}–\n${toHz}`;

/** What of each band reaches the rim. */
export function bandsOption(
  now: Smoothness,
  kept: Smoothness | null,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const bars = (name: string, { bands }: Smoothness, isNow: boolean) => ({
    name,
    type: 'bar',
    data: bands.map((band) => (band.kept === null ? null : 100 * band.kept)),
    barMaxWidth: 26,
    itemStyle: isNow
      ? { color: palette.rust }
      : { color: 'transparent', borderColor: palette.muted, borderWidth: 1, borderType: 'dashed' },
  });
  return {
    ...base,
    tooltip: {
      ...base.tooltip,
      valueFormatter: (v: unknown) =>
        v === null || v === undefined ? 'the title is too slow' : `${Number(v).toFixed(0)} %`,
    },
    grid: GRID,
    xAxis: {
      type: 'category',
      data: now.bands.map(bandName),
      name: 'band, Hz',
      nameLocation: 'middle',
      nameGap: 34,
      nameTextStyle: { color: palette.muted, fontSize: 13 },
      // Every band is named, however narrow the picture.
      axisLabel: { color: palette.muted, interval: 0, fontSize: 12, lineHeight: 13 },
      axisLine: { lineStyle: { color: palette.line } },
      axisTick: { show: false },
    },
    yAxis: { ...valueAxis(palette, 'reaches the rim, %'), min: 0, max: 125, interval: 25 },
    series: [...(kept ? [bars('Kept', kept, false)] : []), bars('Now', now, true)],
  };
}

/** Torque in the hands through a gentle weave. */
export function weaveOption({ loop }: OnCentre, palette: ChartPalette): EChartsCoreOption {
  const base = chartBase(palette);
  const most = Math.max(0.5, ...loop.map(({ torqueNm }) => Math.abs(torqueNm)));
  const end = Math.ceil(2 * most) / 2;
  return {
    ...base,
    tooltip: { show: false },
    grid: GRID,
    xAxis: { ...below(palette, 'sideways, g'), min: -0.2, max: 0.2, interval: 0.1 },
    yAxis: { ...valueAxis(palette, 'hands, N·m'), min: -end, max: end },
    series: [
      {
        name: 'Weave',
        type: 'line',
        showSymbol: false,
        data: loop.map(({ g, torqueNm }) => [g, torqueNm]),
        lineStyle: { color: palette.rust, width: 2 },
        itemStyle: { color: palette.rust },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: palette.line, width: 1, type: 'solid' },
          label: { show: false },
          data: [{ xAxis: 0 }, { yAxis: 0 }],
        },
      },
    ],
  };
}
