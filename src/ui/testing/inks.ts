import { paletteOf } from '../chartTheme';

/** Every ink as the name of its variable, so that a test reads which one a line was drawn with: "#brake", "#sideA". */
export const inks = paletteOf((variable) =>
  variable.replace('--', '#').replace(/-(.)/g, (_, c: string) => c.toUpperCase()),
);

/** What the tests of pictures look at. */
export interface Drawn {
  series: { name: string; data: number[][]; lineStyle: { color: string; type?: unknown } }[];
}
