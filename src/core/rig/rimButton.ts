import { z } from 'zod';
import { line } from '../text/line';

/** A place on a rim, seen from the seat: the rim's radius is 1, x to the right, y up. */
interface Spot {
  word: string;
  x: number;
  y: number;
  /** On the far side of the rim, under the fingers. */
  isBehind: boolean;
  /** How long it usually takes from the resting grip, s; what nobody measured is taken from here. */
  usualS: number;
}

const front = (word: string, x: number, y: number, usualS: number): Spot => ({
  ...{ word, x, y, usualS },
  isBehind: false,
});
const behind = (word: string, x: number, y: number): Spot => ({ word, x, y, isBehind: true, usualS: 0.35 });

/** Places that rims have buttons at. A new one is an entry here. */
export const RIM_SPOTS = {
  'left-upper': front('left, upper', -0.62, 0.36, 0.5),
  'left-middle': front('left, middle', -0.66, 0.12, 0.45),
  'left-lower': front('left, lower', -0.6, -0.14, 0.55),
  'left-inner-upper': front('left, inner upper', -0.38, 0.3, 0.65),
  'left-inner': front('left, inner', -0.4, 0.02, 0.6),
  'left-bottom': front('bottom left', -0.3, -0.42, 1),
  'centre-upper': front('centre, upper', 0, 0.3, 1),
  centre: front('centre', 0, 0.02, 1),
  bottom: front('bottom', 0, -0.46, 1.1),
  'right-bottom': front('bottom right', 0.3, -0.42, 1),
  'right-inner': front('right, inner', 0.4, 0.02, 0.6),
  'right-inner-upper': front('right, inner upper', 0.38, 0.3, 0.65),
  'right-lower': front('right, lower', 0.6, -0.14, 0.55),
  'right-middle': front('right, middle', 0.66, 0.12, 0.45),
  'right-upper': front('right, upper', 0.62, 0.36, 0.5),
  'behind-left-upper': behind('behind left, upper', -0.82, 0.22),
  'behind-left-lower': behind('behind left, lower', -0.8, -0.16),
  'behind-right-upper': behind('behind right, upper', 0.82, 0.22),
  'behind-right-lower': behind('behind right, lower', 0.8, -0.16),
  'off-rim': front('not on the rim', 0, -1.25, 1.6),
} as const satisfies Record<string, Spot>;

export type RimSpot = keyof typeof RIM_SPOTS;
const SPOTS = Object.keys(RIM_SPOTS) as [RimSpot, ...RimSpot[]];

/** What a button is, and whether a press of it can be a wish of the moment. */
export const BUTTON_KINDS = ['button', 'paddle', 'rotary', 'stick'] as const;
export type ButtonKind = (typeof BUTTON_KINDS)[number];

export const MOST_BUTTONS = 64;

/** One button of a rim, as its driver says and a short capture measured it. */
export const rimButtonSchema = z.strictObject({
  /** Its number on the device, from 0. */
  index: z.number().int().min(0).max(255),
  name: line(40).min(1, 'a button needs a name'),
  kind: z.enum(BUTTON_KINDS),
  spot: z.enum(SPOTS),
  /** Median time from the resting grip, s; `null` before it was measured. */
  seconds: z.number().min(0).max(30).nullable(),
  /** Which buttons were pressed in its place, one entry a time. */
  hitInstead: z.array(z.number().int().min(0).max(255)).max(50),
  /** Whether it arrives on a console. */
  passes: z.boolean(),
});
export type RimButton = z.output<typeof rimButtonSchema>;

/** How long a button takes: as measured, else as its place usually does. */
export const secondsOf = ({ seconds, spot }: Pick<RimButton, 'seconds' | 'spot'>): number =>
  seconds ?? RIM_SPOTS[spot].usualS;

/** Two buttons whose middles are nearer than this, in radii of the rim, are under one finger. */
const BESIDE = 0.32;

/** Whether one button is hit where the other was meant: they lie side by side, or it has happened. */
export function areNeighbours(a: RimButton, b: RimButton): boolean {
  if (a.index === b.index) return false;
  if (a.hitInstead.includes(b.index) || b.hitInstead.includes(a.index)) return true;
  const [at, to] = [RIM_SPOTS[a.spot], RIM_SPOTS[b.spot]];
  return at.isBehind === to.isBehind && Math.hypot(at.x - to.x, at.y - to.y) < BESIDE;
}
