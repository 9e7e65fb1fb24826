import { z } from 'zod';
import { AXIS_NAMES, type AxisName, type WorkedBy } from '../axes/axes';
import { dialectFieldSchema } from '../formats/dialectJson';
import { measuredBaseSchema, MOST_MEASUREMENTS } from './measuredBase';
import { MOST_BUTTONS, rimButtonSchema } from './rimButton';
import { line, paragraph } from '../text/line';

/** A rig as its owner describes it once. Numbers that nobody knows are `null`, never guessed. */
const known = (least: number, most: number) => z.number().min(least).max(most).nullable();
const scale = z.number().min(-1e6).max(1e6);
const words = paragraph(400);

export const DRIVES = ['gear', 'belt', 'direct', 'unknown'] as const;
export const SENSORS = ['potentiometer', 'hall', 'load-cell', 'unknown'] as const;
/** What two analogue paddles do: both the clutch, one of them at the bite point, clutch and handbrake, or brake and throttle. */
export const PADDLE_MODES = ['both-clutch', 'two-stage', 'clutch-handbrake', 'brake-throttle'] as const;
export const PARTS = ['base', 'motor', 'quick release', 'rim', 'pedals', 'driver program'] as const;

const sensor = z.enum(SENSORS).nullable();

/** A field of it, with its unit and how well it is known what its numbers mean. */
const programFieldSchema = dialectFieldSchema.extend({
  unit: line(12).exactOptional(),
  evidence: z.enum(['measured', 'described', 'assumed']).exactOptional(),
});

/** The base's own program as its owner describes it: what it lets one set, on which axes. */
export const baseProgramSchema = z.strictObject({
  name: line(40).min(1, 'a program needs a name'),
  steering: z.array(programFieldSchema).max(40),
  /** The same fields on every one of these axes. */
  axes: z.array(z.enum(AXIS_NAMES)).max(8),
  fields: z.array(programFieldSchema).max(12),
});
export type BaseProgram = z.output<typeof baseProgramSchema>;

const baseSchema = z.strictObject({
  drive: z.enum(DRIVES),
  torqueNm: known(0.1, 60),
  /** Greatest rotation that the base can be set to, and what it is set to now; lock to lock. */
  maxRotationDeg: known(90, 3600),
  rotationDeg: known(90, 3600),
  frictionNm: known(0, 10),
  delayMs: known(0, 200),
  /** What the maker's manual forbids or limits. */
  makersLimits: words,
  /** The base's own scale of the force that gives 100 % brake. */
  brakeForce: z
    .strictObject({ min: scale, max: scale, step: z.number().min(1e-6).max(1e6), now: scale })
    .nullable(),
  /** `null`: only what the catalogue knows of it. */
  program: baseProgramSchema.nullable().default(null),
  /** What was measured of it with the rim that was on it, the newest last. */
  measured: z.array(measuredBaseSchema).max(MOST_MEASUREMENTS).default([]),
});

const rimSchema = z.strictObject({
  diameterMm: known(150, 600),
  massKg: known(0.1, 10),
  inertiaKgM2: known(0.0005, 0.5),
  inputs: words,
  /** Its buttons, as they were pressed one by one. */
  buttons: z.array(rimButtonSchema).max(MOST_BUTTONS).default([]),
  /** What its two analogue paddles do. */
  paddleMode: z.enum(PADDLE_MODES).default('two-stage'),
  /** What else it shows and switches: rev lights, display, modes of rotaries and sticks. */
  fields: z
    .array(z.strictObject({ label: line(40).min(1, 'a field needs a name'), value: line(60) }))
    .max(20)
    .default([]),
});

/** Software of one part; an older version may be kept on purpose, with the reason. */
const softwareSchema = z.strictObject({
  part: z.enum(PARTS),
  version: line(40).min(1, 'a version'),
  date: z.iso.date(),
  keptOldBecause: words,
});

const placeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('axis'), index: z.number().int().min(0).max(127) }),
  z.strictObject({ kind: z.literal('button'), index: z.number().int().min(0).max(255) }),
  /** The number of the pressed one among these buttons: a shifter. */
  z.strictObject({ kind: z.literal('buttons'), indices: z.array(z.number().int().min(0).max(255)).max(64) }),
  /** A field of a raw HID report. */
  z.strictObject({ kind: z.literal('hid'), index: z.number().int().min(0).max(255) }),
]);
/** Where on a device one of our axes is found. */
export type AxisPlace = z.output<typeof placeSchema>;

const axisSourceSchema = z.strictObject({ device: line(320).min(1), place: placeSchema });
/** Where one of our axes comes from: a device by its id, and the place on it. */
export type AxisSource = z.output<typeof axisSourceSchema>;

export const deviceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('simulated'), rig: line(40) }),
  z.strictObject({ kind: z.literal('real'), axes: z.partialRecord(z.enum(AXIS_NAMES), axisSourceSchema) }),
]);
export type RigDevice = z.output<typeof deviceSchema>;

export const rigSpecSchema = z.strictObject({
  base: baseSchema,
  rim: rimSchema,
  /** What measures each pedal; `null` where there is none. */
  pedals: z.strictObject({ throttle: sensor, brake: sensor, clutch: sensor }),
  shifter: z
    .strictObject({ kind: z.enum(['sequential', 'gate']), gears: z.number().int().min(1).max(8) })
    .nullable(),
  handbrake: z.enum(['analogue', 'switch']).nullable(),
  /** Two analogue clutch paddles. */
  paddles: z.boolean(),
  mounting: words,
  software: z.array(softwareSchema).max(12),
  /** Counted up whenever cables or fixings were changed. */
  cabling: z.number().int().min(0).max(1_000_000),
  device: deviceSchema,
});
export type RigSpec = z.output<typeof rigSpecSchema>;

export const rigNameSchema = line(40).min(1, 'a rig needs a name');

/** A rig of which nothing is known yet but where its samples come from. */
export function plainRig(device: RigDevice): RigSpec {
  return {
    base: {
      drive: 'unknown',
      torqueNm: null,
      maxRotationDeg: null,
      rotationDeg: null,
      frictionNm: null,
      delayMs: null,
      makersLimits: '',
      brakeForce: null,
      program: null,
      measured: [],
    },
    rim: {
      diameterMm: null,
      massKg: null,
      inertiaKgM2: null,
      inputs: '',
      buttons: [],
      paddleMode: 'two-stage',
      fields: [],
    },
    pedals: { throttle: 'unknown', brake: 'unknown', clutch: null },
    shifter: null,
    handbrake: null,
    paddles: false,
    mounting: '',
    software: [],
    cabling: 0,
    device,
  };
}

/** What works throttle and brake: fingers where the paddles are them. */
export const workedByOf = ({ rim }: Pick<RigSpec, 'rim'>): WorkedBy =>
  rim.paddleMode === 'brake-throttle' ? 'fingers' : 'feet';

/** The axes that a rig has, in the order in which they are calibrated. */
export function axesOf(spec: RigSpec): AxisName[] {
  const has: Record<AxisName, boolean> = {
    steering: true,
    throttle: spec.pedals.throttle !== null,
    brake: spec.pedals.brake !== null,
    clutch: spec.pedals.clutch !== null,
    handbrake: spec.handbrake === 'analogue',
    gear: spec.shifter !== null,
    paddle_left: spec.paddles && workedByOf(spec) === 'feet',
    paddle_right: spec.paddles && workedByOf(spec) === 'feet',
  };
  return AXIS_NAMES.filter((axis) => has[axis]);
}

/** Bases from this torque on can hurt a wrist: the first start asks for more. */
export const STRONG_NM = 8;

/** A direct drive of which no torque is written down is taken for a strong one. */
export function isStrong({ base }: RigSpec): boolean {
  return base.torqueNm === null ? base.drive === 'direct' : base.torqueNm > STRONG_NM;
}
