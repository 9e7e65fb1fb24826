import { z } from 'zod';
import { line } from '../text/line';
import { forceSchema } from './forceJson';
import { jsonFormat } from './jsonFormat';
import { layerSchema } from './responseJson';

const wornSchema = z.strictObject({
  from: z.number().min(0).max(1),
  to: z.number().min(0).max(1),
  sigma: z
    .number()
    .min(0)
    .max(2 ** 40),
  dropoutsPerS: z.number().min(0).max(1000),
});

/** Raw counts of a device: 32 bits and some room. */
const LARGEST_COUNT = 2 ** 40;
const count = z.number().min(-LARGEST_COUNT).max(LARGEST_COUNT);
const amount = z.number().min(0).max(LARGEST_COUNT);

const hasTravel = ({ released, pressed }: { released: number; pressed: number }) =>
  Math.abs(pressed - released) >= LEAST_SPAN;
const LEAST_SPAN = 1e-3;
const NO_TRAVEL = { path: ['pressed'], error: 'released and pressed lie apart' };

const pedalHardwareSchema = z
  .strictObject({
    released: count,
    pressed: count,
    sigma: amount,
    quantum: z.number().min(1e-9).max(LARGEST_COUNT),
    rangeMin: count,
    rangeMax: count,
    driftPerMin: count.exactOptional(),
    spikesPerMin: z.number().min(0).max(100_000).exactOptional(),
    worn: z.array(wornSchema).max(20).exactOptional(),
  })
  .refine(hasTravel, NO_TRAVEL)
  .refine(({ rangeMin, rangeMax }) => rangeMax > rangeMin, {
    path: ['rangeMax'],
    error: 'the greatest count lies above the least',
  });

const footSchema = z.strictObject({
  restTravel: z.number().min(0).max(0.5),
  restWander: z.number().min(0).max(0.1),
  pressTravel: z.number().min(0.1).max(1),
  pressSpread: z.number().min(0).max(0.3),
});

const pedalSchema = z.strictObject({
  hardware: pedalHardwareSchema,
  calibration: z.strictObject({ released: count, pressed: count }).refine(hasTravel, NO_TRAVEL),
  /** Response layers in signal order: base, title, car. */
  layers: z.array(layerSchema).max(3),
});

/** A combination as it is driven: hardware, calibration and layers per pedal, and the foot that works them. */
const profileSchema = z.strictObject({
  name: line(200).min(1, 'a profile needs a name'),
  rig: line(200),
  title: line(200),
  car: line(200),
  driver: line(200),
  pedals: z.strictObject({ throttle: pedalSchema, brake: pedalSchema }),
  foot: footSchema,
  /** The force chain; a profile without it is driven without force. */
  force: forceSchema.exactOptional(),
});
export type Profile = z.output<typeof profileSchema>;

export const { read: readProfileJson, write: writeProfileJson } = jsonFormat({
  name: 'profile',
  schema: profileSchema,
});
