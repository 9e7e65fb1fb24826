import { lowPass, section } from '../numeric/biquad';
import type { ForceParts } from './forceParts';
import type { HeardForce } from './forceReport';
import { baseOverRide } from './rideForce';

/** Of the sound, Hz: enough for what is put into it. */
export const SOUND_HZ = 8000;
/** Between low, mid and high: weight, what body and tyres do, texture. */
const LOW_HZ = 8;
const MID_HZ = 60;
/** An ear hears nothing below 20 Hz: weight sets the loudness of a hum, the middle goes up by this much. */
const HUM_HZ = 80;
const LIFT_HZ = 220;
/** Share of each in what is heard; texture is small in force and much to a hand. */
const SHARES = { low: 0.5, mid: 3, high: 6 };
/** Equal loudness, far below what hurts; peaks end at the second. */
const LOUDNESS = 0.1;
const MOST = 0.5;
const FADE_S = 0.02;

/** The torque at the rim as sound, low, mid and high as a hand would feel them, at a set loudness. */
export function soundOf(torqueNm: ArrayLike<number>, rateHz: number): Float32Array<ArrayBuffer> {
  const per = SOUND_HZ / rateHz;
  const out = new Float32Array(Math.floor(torqueNm.length * per));
  const low = section(lowPass(LOW_HZ, rateHz));
  const mid = section(lowPass(Math.min(MID_HZ, 0.45 * rateHz), rateHz));
  const bands = {
    low: new Float32Array(torqueNm.length),
    mid: new Float32Array(torqueNm.length),
    high: new Float32Array(torqueNm.length),
  };
  for (let i = 0; i < torqueNm.length; i++) {
    const slow = low.next(torqueNm[i]!);
    const middle = mid.next(torqueNm[i]!);
    bands.low[i] = Math.abs(slow);
    bands.mid[i] = middle - slow;
    bands.high[i] = torqueNm[i]! - middle;
  }
  let energy = 0;
  for (let k = 0; k < out.length; k++) {
    const at = k / per;
    const i = Math.min(torqueNm.length - 1, Math.floor(at));
    const next = Math.min(torqueNm.length - 1, i + 1);
    const between = (band: Float32Array) => band[i]! + (at - i) * (band[next]! - band[i]!);
    const t = (2 * Math.PI * k) / SOUND_HZ;
    const value =
      SHARES.low * between(bands.low) * Math.sin(HUM_HZ * t) +
      SHARES.mid * between(bands.mid) * Math.sin(LIFT_HZ * t) +
      SHARES.high * between(bands.high);
    out[k] = value;
    energy += value * value;
  }
  const rms = Math.sqrt(energy / Math.max(1, out.length));
  if (rms <= 0) return out;
  for (let k = 0; k < out.length; k++) out[k] = Math.min(MOST, Math.max(-MOST, (LOUDNESS * out[k]!) / rms));
  return out;
}

/** A and B in turn over the same road: a piece of one, the same piece of the other, each faded in and out. */
export function inTurn(a: Float32Array, b: Float32Array, pieceS: number): Float32Array<ArrayBuffer> {
  const piece = Math.round(pieceS * SOUND_HZ);
  const fade = Math.round(FADE_S * SOUND_HZ);
  const pieces = Math.ceil(Math.min(a.length, b.length) / piece);
  const out = new Float32Array(2 * pieces * piece);
  for (let p = 0; p < pieces; p++)
    [a, b].forEach((one, side) => {
      const to = (2 * p + side) * piece;
      for (let i = 0; i < piece; i++) {
        const edge = Math.min(1, i / fade, (piece - 1 - i) / fade);
        out[to + i] = edge * (one[p * piece + i] ?? 0);
      }
    });
  return out;
}

const PIECE_S = 4;
/** Of the base, Hz. */
const ON_BASE_HZ = 1000;

/** The last lap as the rim would give it; two settings in turn over the same pieces of road. */
export function heardForce(kept: ForceParts, tried: ForceParts | null): HeardForce {
  const heard = ({ chain, meant }: ForceParts) => {
    const { inputs, given } = meant();
    return soundOf(baseOverRide(inputs, given, chain).torqueNm, ON_BASE_HZ);
  };
  const a = heard(kept);
  return {
    sound: tried ? inTurn(a, heard(tried), PIECE_S) : a,
    pieceS: PIECE_S,
    isPair: tried !== null,
  };
}
