import { peakTanFront, type CarSpec } from '../vehicle/carSpec';
import { makeTwoTrack } from '../vehicle/twoTrack';
import { makeTrail, type TyreForces } from '../vehicle/tyre';

const POINTS = 400;
const known = new WeakMap<CarSpec, number>();

/** Side force of both fronts and its moment about the steering axis at a slip (tan α), at rest load: N and N·m. */
export function frontAtSlip(car: CarSpec): (slip: number) => { side: number; moment: number } {
  const { tyreFront, loadFront } = makeTwoTrack(car);
  const trail = makeTrail(car.pneumaticTrailM, car.nominalLoadN);
  const peak = peakTanFront(car);
  const out: TyreForces = { fx: 0, fy: 0 };
  return (slip) => {
    tyreFront.forces(0, slip, loadFront, out);
    const side = 2 * out.fy;
    return { side, moment: side * (car.casterTrailM + trail(loadFront, Math.abs(slip) / peak)) };
  };
}

/** Slip (tan α) at which a car's column torque peaks: its trail falls long before its grip does. */
export function torquePeakSlip(car: CarSpec): number {
  const found = known.get(car);
  if (found !== undefined) return found;
  const at = frontAtSlip(car);
  const peak = peakTanFront(car);
  let best = 0;
  let most = 0;
  for (let i = 1; i <= POINTS; i++) {
    const slip = (peak * i) / POINTS;
    const { moment } = at(slip);
    if (moment > most) {
      most = moment;
      best = slip;
    }
  }
  known.set(car, best);
  return best;
}
