import type { ChartPalette } from '../chartTheme';

const INKS = [
  'ground',
  'raised',
  'ink',
  'muted',
  'line',
  'lichen',
  'rust',
  'brake',
  'throttle',
  'steering',
  'clutch',
  'handbrake',
  'sideA',
  'sideB',
];

/** Every ink under its own name, so that a test reads which one a line was drawn with. */
export const inks = Object.fromEntries(INKS.map((name) => [name, `#${name}`])) as unknown as ChartPalette;

/** What the tests of pictures look at. */
export interface Drawn {
  series: { name: string; data: number[][]; lineStyle: { color: string; type?: unknown } }[];
}
