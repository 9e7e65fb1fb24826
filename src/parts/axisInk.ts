import type { AxisName } from '@/core/axes/axes';
import type { ChartPalette } from '@/ui/chartTheme';

/** The colour of an axis on a chart; paddles are drawn as the clutch that they are. */
export function axisInk(axis: AxisName, palette: ChartPalette): string {
  if (axis === 'paddle_left' || axis === 'paddle_right') return palette.clutch;
  return axis === 'gear' ? palette.ink : palette[axis];
}
