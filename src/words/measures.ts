import type { MeasureSpec } from '@/core/rides/measures';
import { percent } from '@/core/text/percent';
import { lapTime, signed } from './format';

export type Figure = Pick<MeasureSpec, 'name' | 'unit' | 'digits'>;

/** A value of a measure in its own unit; a lap time as drivers write it, everywhere. */
export function measureValue({ name, unit, digits }: Figure, value: number): string {
  if (name === 'lapTimeS') return lapTime(value);
  return unit === 'travel' || unit === 'share'
    ? percent(value, digits)
    : `${value.toFixed(digits)}${unitText(unit)}`;
}

export function measureDifference(figure: Figure, value: number): string {
  const { unit } = figure;
  return `${bareDifference(figure, value)}${unit === 'travel' || unit === 'share' ? ' points' : unitText(unit)}`;
}

/** The same without its unit, for a column that has it at its head. */
export function bareDifference({ unit, digits }: Figure, value: number): string {
  const isShare = unit === 'travel' || unit === 'share';
  return signed(isShare ? 100 * value : value, digits);
}

/** Short enough for a column. */
const SHORT: Partial<Record<Figure['unit'], string>> = {
  'per minute': '/min',
  'per lap': '/lap',
  '1/s': '/s',
};

const unitText = (unit: Figure['unit']) => SHORT[unit] ?? (unit === '°' ? '°' : ` ${unit}`);

/** The size of a difference, without a side: "0.4 s". */
export const differenceSize = (figure: Figure, value: number) =>
  measureDifference(figure, Math.abs(value)).replace('+', '').replace('±', '');
