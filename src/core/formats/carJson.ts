import { z } from 'zod';
import type { Outcome } from '../problem';
import type { CarSpec } from '../vehicle/carSpec';
import { idSchema, line } from '../text/line';
import { readDocument } from './jsonDocument';

/** What anything that is driven on wheels lies within, a kart and a lorry among them. */
const within = (least: number, most: number) => z.number().min(least).max(most);
const share = within(0, 1);

const carSchema = z.strictObject({
  format: z.literal('pebble-road/car'),
  version: z.literal(1),
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
});

/** Reads a `*.car.json`. */
export function readCarJson(text: string): Outcome<CarSpec> {
  return readDocument(text, carSchema, 'pebble-road/car');
}
