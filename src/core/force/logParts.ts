import { below, lateralOf, rateOf } from '../rides/logSignals';
import { SURFACES, type RideLog } from '../rides/rideLog';

/** What a logged force is made of, as RMS in shares of full scale; `null` for what the log cannot tell. */
export interface LogParts {
  /** The part that follows the lateral acceleration, below 2 Hz. */
  corners: number | null;
  /** What else moves as slowly as corners: load, braking, what the title adds. */
  slow: number | null;
  /** Faster than 8 Hz: on the road, on kerbs and off it. */
  road: number | null;
  kerbs: number | null;
  offTrack: number | null;
  /** Share of the slow force's variance that the lateral acceleration explains. */
  explained: number | null;
  /** Channels that would open what is not told, in words. */
  missing: string[];
}

const SLOW_HZ = 2;
const FAST_HZ = 8;
/** A log has to be this many times faster than what is to be seen in it. */
const OVERSAMPLED = 4;
const MOVES_MPS = 5;
const [ROAD, KERB, OFF] = ['road', 'kerb', 'offtrack'].map((one) =>
  SURFACES.indexOf(one as (typeof SURFACES)[number]),
);

/**
 * Parts of a logged force: corners by regression on the lateral acceleration (least squares through zero, both below 2 Hz), effects
 * as what is faster than 8 Hz on each kind of ground.
 * @returns `null` where the log has no force
 */
export function logParts({ columns }: RideLog): LogParts | null {
  const { ffb, speed_mps: speed, surface } = columns;
  const [lateral, rateHz] = [lateralOf(columns), rateOf(columns)];
  if (!ffb || rateHz === 0) return null;
  const moves = (i: number) => !speed || speed[i]! > MOVES_MPS;
  const missing: string[] = [];
  const parts: LogParts = {
    ...{ corners: null, slow: null, road: null, kerbs: null, offTrack: null, explained: null },
    missing,
  };
  if (rateHz >= OVERSAMPLED * SLOW_HZ) {
    const slow = below(ffb, SLOW_HZ, rateHz);
    if (lateral) {
      const side = below(lateral, SLOW_HZ, rateHz);
      let [xy, xx, yy] = [0, 0, 0];
      let n = 0;
      for (let i = 0; i < slow.length; i++) {
        if (!moves(i)) continue;
        n++;
        xy += side[i]! * slow[i]!;
        xx += side[i]! * side[i]!;
        yy += slow[i]! * slow[i]!;
      }
      const k = xx > 0 ? xy / xx : 0;
      parts.corners = n > 0 ? Math.sqrt((k * k * xx) / n) : null;
      parts.slow = n > 0 ? Math.sqrt(Math.max(0, yy - k * xy) / n) : null;
      parts.explained = yy > 0 ? (k * xy) / yy : null;
    } else missing.push('Lateral acceleration or yaw rate would tell corners from the rest.');
  } else
    missing.push(`The log has ${rateHz.toFixed(0)} rows a second: corners need ${OVERSAMPLED * SLOW_HZ}.`);
  if (rateHz >= OVERSAMPLED * FAST_HZ) {
    const fast = below(ffb, FAST_HZ, rateHz).map((value, i) => ffb[i]! - value);
    const rms = (kind: number | null) => {
      let [sum, n] = [0, 0];
      for (let i = 0; i < fast.length; i++) {
        if (!moves(i) || (kind !== null && surface && surface[i] !== kind)) continue;
        sum += fast[i]! * fast[i]!;
        n++;
      }
      return n > 0 ? Math.sqrt(sum / n) : null;
    };
    parts.road = rms(surface ? ROAD! : null);
    if (surface) {
      parts.kerbs = rms(KERB!);
      parts.offTrack = rms(OFF!);
    } else missing.push('What it drove on would tell kerbs from the road.');
  } else
    missing.push(`The log has ${rateHz.toFixed(0)} rows a second: effects need ${OVERSAMPLED * FAST_HZ}.`);
  return parts;
}
