import { z } from 'zod';
import { eachEffect } from '../force/effects';
import { BAND_HZ } from '../force/forceSettings';

const share = z.number().min(0).max(1);
const notNegative = z.number().nonnegative();

/** The force chain of a profile, canonical: title and base as they are set, and the base as it is built. */
export const forceSchema = z.strictObject({
  title: z.strictObject({
    rateHz: z.number().min(10).max(1000),
    gain: notNegative.max(20),
    minForce: share,
    trails: z
      .strictObject({ mechanical: notNegative.max(5), pneumatic: notNegative.max(5) })
      .default({ mechanical: 1, pneumatic: 1 }),
    understeerCue: share,
    // A file that does not know an effect has it off.
    effects: z.strictObject(eachEffect(() => notNegative.max(5).default(0))),
    damper: share,
    spring: share,
  }),
  base: z.strictObject({
    strength: share,
    torqueLimitNm: z.number().positive().max(100),
    interpolation: z.number().min(1).max(32),
    smoothHz: z.number().positive().nullable(),
    bands: z.array(z.number().positive().max(10)).length(BAND_HZ.length),
    damperChannel: share,
    springChannel: share,
    damperNms: notNegative.max(10),
    speedDamping: notNegative.max(10),
    frictionNm: notNegative.max(20),
    inertiaKgM2: notNegative.max(1),
    springNmPerRad: notNegative.max(100),
    slewNmPerS: z.number().positive().nullable(),
    protects: z.boolean(),
  }),
  hardware: z.strictObject({
    ratedNm: z.number().positive().max(100),
    frictionNm: notNegative.max(10),
    delayS: notNegative.max(0.2),
    inertiaKgM2: z.number().min(0.0005).max(1),
    viscousNms: notNegative.max(1),
    // A file that does not know it has none.
    topRadps: z.number().min(1).max(1000).nullable().default(null),
    rotationDeg: z.number().min(90).max(3600),
  }),
});
