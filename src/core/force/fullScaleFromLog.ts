import { studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';
import { slopesOfParts, regressionThroughOrigin, type Pair } from '../numeric/regressionThroughOrigin';
import { below, lateralOf, rateOf } from '../rides/logSignals';
import { SURFACES, type RideLog } from '../rides/rideLog';
import { AIR_DENSITY, peakTanFront, wheelbaseOf, type CarSpec } from '../vehicle/carSpec';
import { makeTwoTrack } from '../vehicle/twoTrack';
import { makeTrail } from '../vehicle/tyre';
import { columnTorque } from './titleSignal';
import { torquePeakSlip } from './torquePeak';

/** What a log says of how strong a title writes a car's force. */
export interface FullScale {
  /** Column torque that the title writes as 1, N·m. */
  fullScaleNm: number;
  /** Half a 95 % interval from one part of the ride to the next; that of the car's own trails is not in it. */
  plusMinusNm: number;
  /** How much of the ride was cornering that tells it, s. */
  seconds: number;
}

/** Slower corners and straights tell nothing of it; near the limit the tyres' trail is no one's guess. */
const LEAST_MPS2 = 2;
const MOST_OF_PEAK = 0.8;
const SLOWEST_MPS = 8;
/** What is nearly clipped may have been more. */
const MOST_SIGNAL = 0.9;
/** Effects and hands are faster than corners. */
const CORNER_HZ = 2;
/** The ride is told in parts of so many samples of cornering. */
const PARTS = 6;
const FEWEST_S = 8;
/** A force that follows the corners less than this follows something else. */
const LEAST_CORRELATION = 0.8;
const ROAD = SURFACES.indexOf('road');

/**
 * The full-scale torque of a car in a title, from how its logged force follows the lateral acceleration: what the front tyres
 * give at that acceleration (the car's weight, wheelbase, trails, ratio) over what the title wrote, at the gain of that ride.
 * @param gain of the title when the log was made, 1 as it stands
 * @returns `null` where the log has no force or no lateral acceleration, or too little cornering, or the two do not go together
 */
export function fullScaleFromLog({ columns }: RideLog, car: CarSpec, gain: number): FullScale | null {
  const { ffb, speed_mps: speed, surface } = columns;
  const [lateral, rateHz] = [lateralOf(columns), rateOf(columns)];
  if (!ffb || !lateral || !speed || !(gain > 0)) return null;
  if (!(rateHz > 4 * CORNER_HZ)) return null;
  const [force, side] = [below(ffb, CORNER_HZ, rateHz), below(lateral, CORNER_HZ, rateHz)];
  const model = columnAt(car);
  const pairs: Pair[] = [];
  for (let i = 0; i < ffb.length; i++) {
    const v = speed[i]!;
    if (v < SLOWEST_MPS) continue;
    if (Math.abs(force[i]!) > MOST_SIGNAL || (surface && surface[i] !== ROAD)) continue;
    const a = side[i]!;
    if (Math.abs(a) < LEAST_MPS2 || Math.abs(a) > model.mostMps2(v)) continue;
    pairs.push([model.torque(a, v), force[i]!]);
  }
  const seconds = pairs.length / rateHz;
  if (seconds < FEWEST_S) return null;
  if (Math.abs(correlation(pairs)) < LEAST_CORRELATION) return null;
  const scaleOf = (slope: number) => gain / Math.abs(slope);
  const scales = slopesOfParts(pairs, PARTS).map(scaleOf);
  const spread = standardDeviation(scales) / Math.sqrt(PARTS);
  return {
    fullScaleNm: scaleOf(regressionThroughOrigin(pairs)),
    plusMinusNm: studentQuantile(0.975, PARTS - 1) * spread,
    seconds,
  };
}

/** Loads of the fronts for which the tyres are worked out, as steps of their load at rest. */
const LOAD_STEP = 0.05;
const SLIP_STEPS = 200;
const LEAN_ROUNDS = 4;

/** Column torque at a lateral acceleration in a steady corner, and up to which the tyres are known well enough. */
function columnAt(car: CarSpec) {
  const { tyreFront, loadFront } = makeTwoTrack(car);
  const trail = makeTrail(car.pneumaticTrailM, car.nominalLoadN);
  const peak = torquePeakSlip(car);
  const perMps2 = (car.massKg * car.rearM) / wheelbaseOf(car);
  const lift = ((AIR_DENSITY / 2) * car.liftAreaFrontM2) / (2 * loadFront);
  // Load that goes over to the outer front for each newton of side force of the axle.
  const leanN = (car.massKg * car.heightM * car.rollFrontShare) / (car.trackFrontM * perMps2);
  const tables = new Map<number, { side: number; moment: number }[]>();
  const tableOf = (speedMps: number) => {
    const step = Math.round((lift * speedMps * speedMps) / LOAD_STEP);
    const known = tables.get(step);
    if (known) return known;
    const load = loadFront * (1 + step * LOAD_STEP);
    const out = { fx: 0, fy: 0 };
    const made = Array.from({ length: SLIP_STEPS + 1 }, (_, i) => {
      const slip = (peak * i) / SLIP_STEPS;
      // The body leans by the acceleration that both tyres give; the outer one is pressed, and its trail is the longer one.
      let [side, moment] = [0, 0];
      for (let round = 0; round < LEAN_ROUNDS; round++) {
        const shift = Math.min(load, side * leanN);
        [side, moment] = [0, 0];
        for (const wheel of [load + shift, load - shift]) {
          tyreFront.forces(0, slip, wheel, out);
          side += out.fy;
          moment += out.fy * (car.casterTrailM + trail(wheel, slip / peakTanFront(car)));
        }
      }
      return { side, moment };
    });
    tables.set(step, made);
    return made;
  };
  return {
    mostMps2: (speedMps: number) => (MOST_OF_PEAK * tableOf(speedMps)[SLIP_STEPS]!.side) / perMps2,
    torque(lateral: number, speedMps: number): number {
      const table = tableOf(speedMps);
      const side = Math.abs(lateral) * perMps2;
      const i = Math.max(
        1,
        table.findIndex((one) => one.side >= side),
      );
      const [low, high] = [table[i - 1]!, table[i]!];
      const share = (side - low.side) / (high.side - low.side);
      return Math.sign(lateral) * columnTorque(car, low.moment + share * (high.moment - low.moment), 0);
    },
  };
}

function correlation(pairs: readonly Pair[]): number {
  const [mx, my] = [mean(pairs.map(([x]) => x)), mean(pairs.map(([, y]) => y))];
  let [xy, xx, yy] = [0, 0, 0];
  for (const [x, y] of pairs) {
    xy += (x - mx) * (y - my);
    xx += (x - mx) ** 2;
    yy += (y - my) ** 2;
  }
  return xx > 0 && yy > 0 ? xy / Math.sqrt(xx * yy) : 0;
}
