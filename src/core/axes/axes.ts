import type { RideColumn } from '../rides/rideLog';

/** An axis of a rig: how it is called, worked, drawn, measured and recorded. */
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
  /** The colour of the theme that it is drawn in; paddles are drawn as the clutch that they are. */
  ink: 'steering' | 'throttle' | 'brake' | 'clutch' | 'handbrake' | 'ink';
  /** Whether one rests on it while driving, and whether its slack is always taken up: parts of its capture. */
  isRestedOn: boolean;
  hasSlack: boolean;
  /** Where a change of it is felt: weaving, before a bend, on a straight. */
  feltIn: 'weave' | 'bend' | 'straight';
  /** What it is where a rig's description names no sensor of it. */
  hardware: string | null;
  /** How one who has no keyboard is asked to show it, and whether a rig may do without it; `null`: not asked for there. */
  shown: { title: string; how: string; isOptional: boolean } | null;
  /** Where a ride log has it. */
  column: RideColumn | null;
}

/** What holds for an axis that says nothing else. */
const USUAL = {
  isRestedOn: false,
  hasSlack: false,
  feltIn: 'straight',
  hardware: null,
  shown: null,
  column: null,
} as const;
const PEDAL = { ...USUAL, kind: 'pedal', limb: 'Foot', verb: 'Press', isRestedOn: true } as const;
const PADDLE = {
  ...PEDAL,
  limb: 'Finger',
  verb: 'Pull',
  ink: 'clutch',
  hardware: 'Analogue clutch paddle',
} as const;

/** All axes, in the order in which they are calibrated. A new one is an entry here; which rigs have it, `rigSpec.ts`. */
const TABLE = {
  steering: {
    ...USUAL,
    word: 'steering',
    short: 'Steer',
    kind: 'wheel',
    limb: 'Hands',
    verb: 'Turn',
    ink: 'steering',
    feltIn: 'weave',
    shown: {
      title: 'Turn the wheel far to both sides and back',
      how: 'To the stops or nearly, gently.',
      isOptional: false,
    },
    column: 'steer_deg',
  },
  throttle: {
    ...PEDAL,
    word: 'throttle',
    short: 'Throttle',
    ink: 'throttle',
    shown: { title: 'Now the throttle, fully, and let go', how: 'Only the throttle.', isOptional: false },
    column: 'throttle',
  },
  brake: {
    ...PEDAL,
    word: 'brake',
    short: 'Brake',
    ink: 'brake',
    feltIn: 'bend',
    shown: {
      title: 'Press the brake to its stop and let go',
      how: 'The browser shows a device only after something on it has moved. By hand alone: pull the brake’s paddle.',
      isOptional: false,
    },
    column: 'brake',
  },
  clutch: {
    ...PEDAL,
    word: 'clutch',
    short: 'Clutch',
    ink: 'clutch',
    shown: {
      title: 'Now the clutch, fully, and let go',
      how: 'No clutch pedal? Hold the brake down for a second.',
      isOptional: true,
    },
  },
  handbrake: {
    ...USUAL,
    word: 'handbrake',
    short: 'Hand',
    kind: 'pedal',
    limb: 'Hand',
    verb: 'Pull',
    ink: 'handbrake',
    hasSlack: true,
    feltIn: 'bend',
    hardware: 'Analogue handbrake',
    shown: {
      title: 'Pull the handbrake fully and let go',
      how: 'None, or only a switch? Hold the brake down for a second.',
      isOptional: true,
    },
  },
  gear: {
    ...USUAL,
    word: 'shifter',
    short: 'Gear',
    kind: 'shifter',
    limb: 'Hand',
    verb: 'Move',
    ink: 'ink',
    shown: {
      title: 'Shifter: through every gate, reverse last',
      how: 'Into each and out again; then hold the brake for a second. No shifter? The same at once.',
      isOptional: true,
    },
  },
  paddle_left: { ...PADDLE, word: 'left paddle', short: 'Pad L' },
  paddle_right: { ...PADDLE, word: 'right paddle', short: 'Pad R' },
} as const satisfies Record<string, Axis>;

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
