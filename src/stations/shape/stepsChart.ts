import type { EChartsCoreOption } from 'echarts/core';
import { AXIS_WORDS, type AxisName, AXES } from '@/core/axes/axes';
import type { SensorStep } from '@/core/response/firstSteps';
import { chartBase, PLAIN_GRID, valueAxis, type ChartPalette } from '@/ui/chartTheme';

export interface StepsPicture {
  axis: AxisName;
  steps: SensorStep[];
  kept: SensorStep[];
  /** Hand angle of the lock, for a wheel. */
  fullAtDeg: number | null;
}

/** The sensor's own levels where the response begins, as stairs: what the smallest movements give. */
export function stepsOption(
  { axis, steps, kept, fullAtDeg }: StepsPicture,
  palette: ChartPalette,
): EChartsCoreOption {
  const base = chartBase(palette);
  const points = (of: SensorStep[]) => of.map(({ at, out }) => [at * (fullAtDeg ?? 100), 100 * out]);
  const line = (name: string, of: SensorStep[], look: { color: string; width: number; type?: string }) => ({
    name,
    type: 'line',
    step: 'end',
    showSymbol: false,
    data: points(of),
    lineStyle: look,
    itemStyle: { color: look.color },
  });
  const named = (name: string, gap: number) => ({
    ...valueAxis(palette, name),
    nameLocation: 'middle' as const,
    nameGap: gap,
    nameTextStyle: { color: palette.muted, fontSize: 13 },
  });
  return {
    ...base,
    grid: { ...PLAIN_GRID, left: 60, right: 16, top: 12, bottom: 44 },
    tooltip: { ...base.tooltip, valueFormatter: (value: unknown) => `${Number(value).toFixed(3)} %` },
    xAxis: {
      ...named(fullAtDeg === null ? 'travel, %' : 'degrees of the hands', 28),
      min: 'dataMin',
      max: 'dataMax',
    },
    yAxis: { ...named(`${AXIS_WORDS[axis]}, %`, 44), min: 0 },
    series: [
      line('Kept', kept, { color: palette.muted, width: 1.5, type: 'dashed' }),
      line('Tried', steps, { color: palette[AXES[axis].ink], width: 2 }),
    ],
  };
}
