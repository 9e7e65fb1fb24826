import { crossSpectra, segmentsOf, type Segments } from '../numeric/spectra';
import { upsample } from '../numeric/resample';
import { SURFACES } from '../rides/rideLog';
import type { ForceInputs } from './forceInputs';
import type { ForceChain } from './handsOff';
import { baseOverRide, type HeldRim } from './rideForce';
import type { TitleSignal } from './titleSignal';

/** Bands in which detail is told, Hz: weight, weave, body and tyres, road, texture. */
const DETAIL_BANDS = [
  [0, 2],
  [2, 8],
  [8, 20],
  [20, 60],
  [60, 200],
] as const;
/** What the hand calls detail. */
const FELT_FROM_HZ = 8;
const FELT_TO_HZ = 60;
/** What a stand and a floor carry on: heard in the next room, and hardly felt as steering. */
const SHAKES_FROM_HZ = 20;
const SHAKES_TO_HZ = 200;
/** About a second: half a hertz apart, and a lap holds a hundred of them. */
const SEGMENT = 1024;
/** A step of the force: this much of full scale within this time. */
const STEP_SHARE = 0.3;
const STEP_S = 0.005;
/** Steps closer together are one. */
const STEP_GAP_S = 0.05;

interface BandDetail {
  fromHz: number;
  toHz: number;
  /** Of the title's signal in this band, how much reaches the rim, 1 is all; `null` where the title is too slow to carry any. */
  kept: number | null;
  /** What is at the rim without having been in the signal, RMS in N·m. */
  addedNm: number;
}

/** What the base makes of the title's signal over a ride. */
export interface Smoothness {
  bands: BandDetail[];
  /** Kept between 8 and 60 Hz, as one figure; `null` for a ride too short to tell. */
  detail: number | null;
  /** Torque between 20 and 200 Hz, RMS in N·m: what shakes the stand; `null` for a ride too short to tell. */
  shakesNm: number | null;
  /** RMS rate of the torque over that of the signal itself, kerbs and bumps apart; 1 is as smooth as it was meant. */
  roughness: number;
  /** Steps over 30 % of full scale within 5 ms that the signal does not have, per minute. */
  stepsPerMin: number;
}

/** The part of a chain that decides how a signal is rebuilt. */
type Base = Pick<ForceChain, 'title' | 'base' | 'hardware'>;

/** The signal as it was meant, at the base's rate: worked out once for many bases. */
export interface MeantSignal {
  inputs: HeldRim;
  given: Float64Array;
  /** What leaves the title, without the image of its slow rate. */
  meant: Float64Array;
  /** Its segments; `null` for a ride too short to tell. */
  segments: Segments | null;
  isSmoothRoad: Uint8Array;
  baseHz: number;
}

export function meantSignal(
  inputs: HeldRim & Pick<ForceInputs, 'surface'>,
  signal: Pick<TitleSignal, 'given'>,
  baseHz: number,
): MeantSignal {
  const count = Math.floor((inputs.t.length * baseHz) / inputs.rateHz);
  const meant = upsample(signal.given, inputs.rateHz, baseHz, count);
  const rough = new Set([SURFACES.indexOf('kerb'), SURFACES.indexOf('bump')]);
  return {
    inputs,
    given: signal.given,
    meant,
    segments: meant.length < SEGMENT ? null : segmentsOf(meant, SEGMENT),
    isSmoothRoad: Uint8Array.from({ length: count }, (_, i) =>
      rough.has(inputs.surface[Math.min(inputs.t.length - 1, Math.floor((i * inputs.rateHz) / baseHz))]!)
        ? 0
        : 1,
    ),
    baseHz,
  };
}

/** How much of the signal a base lets through, and what it adds. */
export function smoothnessOf(meant: MeantSignal, chain: Base): Smoothness {
  const { torqueNm } = baseOverRide(meant.inputs, meant.given, chain);
  const fullNm = Math.max(1e-9, chain.base.strength * chain.hardware.ratedNm);
  const torque = torqueNm.subarray(0, meant.meant.length);
  return {
    ...detailOf(meant, torque, fullNm),
    ...roughnessOf(meant, torque, fullNm),
  };
}

/**
 * Kept per band: √(Σ|P_xy|²/P_xx / ΣP_xx)/strength, coherent with what leaves the title; the rest of P_yy is added.
 * A plain ratio of RMS would call noise detail; the signal before the clip and the minimum force would call a lift detail.
 */
function detailOf(
  { segments, inputs, baseHz }: MeantSignal,
  torque: Float64Array,
  fullNm: number,
): Pick<Smoothness, 'bands' | 'detail' | 'shakesNm'> {
  if (!segments) return { bands: [], detail: null, shakesNm: null };
  const spectra = crossSpectra(segments, segmentsOf(torque, SEGMENT), baseHz);
  const nyquist = inputs.rateHz / 2;
  const between = (fromHz: number, toHz: number) => {
    let [all, coherent, added] = [0, 0, 0];
    for (let k = Math.ceil(fromHz / spectra.stepHz); k * spectra.stepHz < toHz; k++) {
      // Above its Nyquist frequency a title says nothing: all that is there was made on the way.
      const isSaid = k * spectra.stepHz < nyquist && spectra.xx[k]! > 0;
      const part = isSaid ? spectra.crossSquared[k]! / spectra.xx[k]! : 0;
      if (isSaid) all += spectra.xx[k]!;
      coherent += part;
      added += Math.max(0, spectra.yy[k]! - part);
    }
    return {
      kept: all > 0 ? Math.sqrt(coherent / all) / fullNm : null,
      addedNm: Math.sqrt(added * spectra.stepHz),
    };
  };
  const lines = (hz: number) => Math.ceil(hz / spectra.stepHz);
  const shaking = spectra.yy.subarray(lines(SHAKES_FROM_HZ), lines(SHAKES_TO_HZ));
  return {
    bands: DETAIL_BANDS.map(([fromHz, toHz]) => ({ fromHz, toHz, ...between(fromHz, toHz) })),
    detail: between(FELT_FROM_HZ, FELT_TO_HZ).kept,
    shakesNm: Math.sqrt(shaking.reduce((sum, power) => sum + power, 0) * spectra.stepHz),
  };
}

function roughnessOf(
  { meant: signal, isSmoothRoad, baseHz }: MeantSignal,
  torque: Float64Array,
  fullNm: number,
): Pick<Smoothness, 'roughness' | 'stepsPerMin'> {
  let [meant, felt, counted] = [0, 0, 0];
  for (let i = 1; i < signal.length; i++) {
    if (!isSmoothRoad[i]) continue;
    counted++;
    meant += (signal[i]! - signal[i - 1]!) ** 2;
    felt += ((torque[i]! - torque[i - 1]!) / fullNm) ** 2;
  }
  const extra = stepsIn(torque, fullNm, isSmoothRoad, baseHz) - stepsIn(signal, 1, isSmoothRoad, baseHz);
  const minutes = counted / baseHz / 60;
  return {
    roughness: meant > 0 ? Math.sqrt(felt / meant) : 0,
    stepsPerMin: minutes > 0 ? Math.max(0, extra) / minutes : 0,
  };
}

function stepsIn(values: Float64Array, full: number, isSmoothRoad: Uint8Array, rateHz: number): number {
  const within = Math.max(1, Math.round(STEP_S * rateHz));
  const gap = Math.round(STEP_GAP_S * rateHz);
  let steps = 0;
  for (let i = within; i < values.length; i++) {
    if (!isSmoothRoad[i] || Math.abs(values[i]! - values[i - within]!) <= STEP_SHARE * full) continue;
    steps++;
    i += gap;
  }
  return steps;
}
