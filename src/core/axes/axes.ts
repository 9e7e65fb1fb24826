import type { RideColumn } from '../rides/rideLog';

/** An axis of a rig: how it is called, worked and recorded. */
interface Axis {
  /** What it is called in a sentence. */
  word: string;
  /** Over a bar of two fingers' width; its word where that is short enough. */
  short: string;
  /** Pressed or pulled from a released end, and analysed so; turned; or put into gates. */
  kind: 'pedal' | 'wheel' | 'shifter';
  /** What works it, and how. */
  limb: 'Hands' | 'Hand' | 'Foot' | 'Finger';
  verb: 'Turn' | 'Press' | 'Pull' | 'Move';
  /** Where a ride log has it. */
  column: RideColumn | null;
}

/** All axes, in the order in which they are calibrated. A new one is an entry here; which rigs have it, `rigSpec.ts`. */
const TABLE = {
  steering: {
    word: 'steering',
    short: 'Steer',
    kind: 'wheel',
    limb: 'Hands',
    verb: 'Turn',
    column: 'steer_deg',
  },
  throttle: pedal('throttle', 'throttle'),
  brake: pedal('brake', 'brake'),
  clutch: pedal('clutch', null),
  handbrake: {
    word: 'handbrake',
    short: 'Hand',
    kind: 'pedal',
    limb: 'Hand',
    verb: 'Pull',
    column: null,
  },
  gear: { word: 'shifter', short: 'Gear', kind: 'shifter', limb: 'Hand', verb: 'Move', column: null },
  paddle_left: paddle('left paddle', 'Pad L'),
  paddle_right: paddle('right paddle', 'Pad R'),
} as const satisfies Record<string, Axis>;

function pedal(word: string, column: RideColumn | null) {
  const short = word.replace(/^./, (c) => c.toUpperCase());
  return { word, short, kind: 'pedal', limb: 'Foot', verb: 'Press', column } as const;
}

function paddle(word: string, short: string) {
  return { word, short, kind: 'pedal', limb: 'Finger', verb: 'Pull', column: null } as const;
}

export type AxisName = keyof typeof TABLE;
/** Axes that are pressed or pulled from a released end: analysed alike. */
export type PedalAxis = {
  [A in AxisName]: (typeof TABLE)[A]['kind'] extends 'pedal' ? A : never;
}[AxisName];

export const AXES: Readonly<Record<AxisName, Axis>> = TABLE;
export const AXIS_NAMES = Object.keys(TABLE) as AxisName[];

export function isPedalAxis(axis: string): axis is PedalAxis {
  return Object.hasOwn(AXES, axis) && AXES[axis as AxisName].kind === 'pedal';
}

function eachAxis<T>(of: (axis: Axis) => T): Record<AxisName, T> {
  return Object.fromEntries(AXIS_NAMES.map((name) => [name, of(AXES[name])])) as Record<AxisName, T>;
}

/** What works throttle, brake and clutch: who drives by hand alone has them on paddles. */
export type WorkedBy = 'feet' | 'fingers';

/** What works an axis, and how. */
export function workedBy(axis: AxisName, by: WorkedBy): Pick<Axis, 'limb' | 'verb'> {
  const own = AXES[axis];
  return own.limb === 'Foot' && by === 'fingers' ? { limb: 'Finger', verb: 'Pull' } : own;
}

/** What rests on a pedal, a lever or a paddle: "resting foot", "resting hand", "resting finger". */
export const restingLimb = (axis: AxisName, by: WorkedBy = 'feet'): string =>
  `resting ${workedBy(axis, by).limb.toLowerCase()}`;

/** What one does to it: "press" or "pull". */
export const strokeOf = (axis: AxisName, by: WorkedBy = 'feet'): 'press' | 'pull' =>
  workedBy(axis, by).verb === 'Pull' ? 'pull' : 'press';

/** More than one of them: "presses" or "pulls". */
export const strokesOf = (axis: AxisName, by: WorkedBy = 'feet'): string =>
  strokeOf(axis, by) === 'pull' ? 'pulls' : 'presses';

/** What an axis is called in a sentence. */
export const AXIS_WORDS: Readonly<Record<AxisName, string>> = eachAxis(({ word }) => word);
