import { z } from 'zod';
import type { Outcome } from '../problem';
import type { CarSpec } from '../vehicle/carSpec';
import { DRIVELINE_PARTS } from '../vehicle/drivelineSpec';
import { idSchema, line } from '../text/line';
import { jsonFormat } from './jsonFormat';

/** What anything that is driven on wheels lies within, a kart and a lorry among them. */
const within = (least: number, most: number) => z.number().min(least).max(most);
const share = within(0, 1);

const rpm = within(100, 30_000);
const travel = within(0, 1);

/** Parts of a driveline; a car has all of them or none. */
const driveline = {
  engine: z
    .strictObject({
      idleRpm: rpm,
      torqueRpm: rpm,
      powerRpm: rpm,
      limitRpm: rpm,
      inertiaKgM2: within(0.001, 100),
      dragNm: within(0, 2000),
      dragNmPerRadps: within(0, 50),
      lagS: within(0.001, 2),
    })
    .refine(
      ({ idleRpm, torqueRpm, powerRpm, limitRpm }) =>
        idleRpm < torqueRpm && torqueRpm < powerRpm && powerRpm <= limitRpm,
      'engine speeds rise: idle, torque, power, limit',
    )
    .exactOptional(),
  gears: z
    .strictObject({
      ratios: z
        .array(within(0.1, 40))
        .min(1, 'at least one gear')
        .max(24)
        .refine(
          (ratios) => ratios.every((ratio, i) => i === 0 || ratio < ratios[i - 1]!),
          'ratios fall from gear to gear',
        ),
      final: within(0.1, 40),
      shiftS: within(0, 5),
    })
    .exactOptional(),
  clutch: z
    .strictObject({ torqueNm: within(1, 100_000), bite: travel, full: travel })
    .refine(({ bite, full }) => full < bite, 'a clutch bites before it carries all: full lies under bite')
    .exactOptional(),
  differential: z.strictObject({ share, preloadNm: within(0, 100_000) }).exactOptional(),
  drive: z.strictObject({ frontShare: share }).exactOptional(),
};

const carSchema = z
  .strictObject({
    id: idSchema,
    name: line(80).min(1, 'a car needs a name'),
    massKg: within(50, 60_000),
    yawInertiaKgM2: within(5, 1_000_000),
    frontM: within(0.2, 10),
    rearM: within(0.2, 10),
    heightM: within(0, 3),
    trackFrontM: within(0.3, 4),
    trackRearM: within(0.3, 4),
    rollFrontShare: share,
    dragAreaM2: within(0, 20),
    liftAreaFrontM2: within(-20, 20),
    liftAreaRearM2: within(-20, 20),
    mu0: within(0.2, 4),
    nominalLoadN: within(50, 100_000),
    loadSensitivity: within(0, 0.5),
    peakSlipFrontDeg: within(0.5, 30),
    peakSlipRearDeg: within(0.5, 30),
    relaxationM: within(0.02, 3),
    casterTrailM: within(-0.1, 0.3),
    pneumaticTrailM: within(0, 0.3),
    steeringRatio: within(1, 60),
    lockDeg: within(60, 3600),
    steeringAssist: within(1, 50),
    fullScaleNm: within(0.5, 1000),
    wheelRadiusM: within(0.08, 1.5),
    axleInertiaKgM2: within(0.01, 500),
    powerKw: within(1, 3000),
    diffLock: share,
    brakeBias: share,
    fullBrakeN: within(100, 1_000_000),
    gripShare: within(0.3, 1),
    ...driveline,
  })
  .superRefine((car, context) => {
    const missing = DRIVELINE_PARTS.filter((part) => car[part] === undefined);
    if (missing.length > 0 && missing.length < DRIVELINE_PARTS.length)
      context.addIssue({
        code: 'custom',
        path: [missing[0]!],
        message: `a driveline is given whole or not at all: ${missing.join(', ')} is missing`,
      });
  });

/** Reads a `*.car.json`. */
export const readCarJson: (text: string) => Outcome<CarSpec> = jsonFormat({
  name: 'car',
  schema: carSchema,
}).read;
