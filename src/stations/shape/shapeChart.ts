import type { EChartsCoreOption } from 'echarts/core';
import { AXES, AXIS_WORDS, strokeOf, type AxisName } from '@/core/axes/axes';
import { respond } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

const STEPS = 200;

/** Where the plot lies in the picture, CSS pixels from each side; the live dot is drawn over it. */
export const SHAPE_GRID = { left: 52, right: 48, top: 28, bottom: 44 } as const;

/** The curve as percent points over the whole travel. */
export function curvePoints(layers: ResponseLayer[]): [number, number][] {
  return Array.from({ length: STEPS + 1 }, (_, i) => [(100 * i) / STEPS, 100 * respond(layers, i / STEPS)]);
}

/** Output per input, 1 = linear, from the curve's own points; drawn up to the scale's end. */
function slopePoints(layers: ResponseLayer[]): [number, number][] {
  const points = curvePoints(layers);
  return points.slice(1).map(([x, y], i) => {
    const [x0, y0] = points[i]!;
    return [(x + x0) / 2, Math.min(MOST_SLOPE, (y - y0) / (x - x0))];
  });
}

const MOST_SLOPE = 4;
/** The tallest bar of a histogram takes this much of the picture's height, percent. */
const TALLEST_BAR = 22;

/**
 * Time over the travel, at the foot of the picture. Heights are roots of the shares: a foot that rests for most
 * of a lap would hide where it presses.
 */
function bars(shares: number[]): [number, number][] {
  const most = Math.max(...shares);
  return shares.map((share, i) => [(100 * (i + 0.5)) / shares.length, TALLEST_BAR * Math.sqrt(share / most)]);
}

function histogram(name: string, shares: number[] | null, look: object): object[] {
  if (!shares) return [];
  const data = bars(shares);
  return [
    {
      name,
      type: 'line',
      step: 'middle',
      showSymbol: false,
      data,
      tooltip: { show: false },
      silent: true,
      ...look,
    },
  ];
}

export interface ShapeMarks {
  axis: AxisName;
  /** Travel under the resting foot (P99.5) and of the mean full press. */
  cover: number | null;
  press: number | null;
  /** Shares of the newest ride's time over the travel. */
  ridden: number[] | null;
  /** Shares of the newest capture's time, resting and pressing. */
  pressed: number[] | null;
}

/** The response curve, the kept one as its ghost, and where the driver's own foot rests and presses. */
export function shapeOption(
  layers: ResponseLayer[],
  ghost: ResponseLayer[],
  marks: ShapeMarks,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const ink = palette[AXES[marks.axis].ink];
  const marked = [
    { at: marks.cover, text: `${AXES[marks.axis].limb.toLowerCase()} rests` },
    { at: marks.press, text: `you ${strokeOf(marks.axis)}` },
  ].filter((mark): mark is { at: number; text: string } => mark.at !== null);
  const axis = (name: string) => ({
    ...valueAxis(palette, name),
    min: 0,
    max: 100,
    interval: 25,
    nameLocation: 'middle' as const,
    nameTextStyle: { color: palette.muted, fontSize: 13 },
  });
  return {
    ...base,
    grid: { ...PLAIN_GRID, ...SHAPE_GRID },
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => `${Number(value).toFixed(1)} %` },
    xAxis: { ...axis(marks.axis === 'steering' ? 'of the lock, %' : 'travel, %'), nameGap: 28 },
    yAxis: [
      { ...axis(`${AXIS_WORDS[marks.axis]} in the car, %`), nameGap: 32 },
      {
        ...valueAxis(palette, 'slope, 1 = linear'),
        min: 0,
        max: MOST_SLOPE,
        interval: 1,
        nameLocation: 'middle',
        nameGap: 24,
        nameTextStyle: { color: palette.muted, fontSize: 13 },
        splitLine: { show: false },
      },
    ],
    series: [
      ...histogram('Newest ride', marks.ridden, {
        lineStyle: { width: 0 },
        areaStyle: { color: ink, opacity: 0.22 },
      }),
      ...histogram('Newest capture', marks.pressed, { lineStyle: { color: ink, width: 1 } }),
      {
        name: 'Slope',
        type: 'line',
        yAxisIndex: 1,
        showSymbol: false,
        data: slopePoints(layers),
        lineStyle: { color: palette.muted, width: 1, type: 'dotted' },
        itemStyle: { color: palette.muted },
        tooltip: { valueFormatter: (value: unknown) => Number(value).toFixed(2) },
      },
      {
        name: 'Kept',
        type: 'line',
        showSymbol: false,
        data: curvePoints(ghost),
        lineStyle: { color: palette.muted, width: 1.5, type: 'dashed' },
        itemStyle: { color: palette.muted },
      },
      {
        name: 'Tried',
        type: 'line',
        showSymbol: false,
        data: curvePoints(layers),
        lineStyle: { color: ink, width: 3 },
        itemStyle: { color: ink },
        markLine: {
          silent: true,
          symbol: 'none',
          data: marked.map(({ at, text }) => ({
            xAxis: 100 * at,
            lineStyle: { color: palette.muted, type: 'dotted', width: 1.5 },
            label: { formatter: text, position: 'end', color: palette.muted, fontSize: 13 },
          })),
        },
      },
    ],
  };
}
