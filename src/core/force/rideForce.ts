import type { RideLog } from '../rides/rideLog';
import { baseTorque } from './baseTorque';
import type { ForceInputs } from './forceInputs';
import type { ForceChain } from './handsOff';
import { titleSignal, type TitleSignal } from './titleSignal';

const BASE_HZ = 1000;

/** The force over a whole ride: what the title gives, and what arrives at the rim. */
export interface RideForce {
  signal: TitleSignal;
  /** Motor torque at the base's rate, N·m, left positive. */
  torqueNm: Float64Array;
  /** Of the torque and of the rim, Hz. */
  baseHz: number;
  /** Rim speed at the base's rate, rad/s. */
  rimRate: Float64Array;
}

/** The chain over a ride that was driven: the hands hold the rim where they held it. */
export function rideForce(inputs: ForceInputs, chain: ForceChain, seed: number): RideForce {
  const signal = titleSignal(inputs, chain.car, chain.title, seed);
  return { signal, ...baseOverRide(inputs, signal.given, chain) };
}

/** What the base's part needs of a ride. */
export type HeldRim = Pick<ForceInputs, 't' | 'hand' | 'speedMps' | 'rateHz'>;

/** The base's part alone, for when only its settings changed. */
export function baseOverRide(
  { t, hand, speedMps, rateHz }: HeldRim,
  given: Float64Array,
  { title, base, hardware }: Pick<ForceChain, 'title' | 'base' | 'hardware'>,
): Omit<RideForce, 'signal'> {
  const motor = baseTorque(title, base, hardware, BASE_HZ);
  const n = t.length;
  const steps = n === 0 ? 0 : Math.floor((n * BASE_HZ) / rateHz);
  const torqueNm = new Float64Array(steps);
  const rimRate = new Float64Array(steps);
  const rim = { angle: 0, rate: 0 };
  for (let step = 0, i = -1; step < steps; step++) {
    const now = Math.min(n - 1, Math.floor((step * rateHz) / BASE_HZ + 1e-9));
    const isNew = now !== i;
    i = now;
    const next = Math.min(n - 1, i + 1);
    const share = (step * rateHz) / BASE_HZ - i;
    rim.angle = hand[i]! + share * (hand[next]! - hand[i]!);
    rim.rate = (hand[next]! - hand[i]!) * rateHz;
    rimRate[step] = rim.rate;
    torqueNm[step] = motor.next(given[i]!, isNew, rim, speedMps[i]!);
  }
  return { torqueNm, baseHz: BASE_HZ, rimRate };
}

/** A ride with its force channels: `ffb` before the clip and `torque_nm`, as they were at each row. */
export function withForce(log: RideLog, inputs: ForceInputs, force: RideForce): RideLog {
  const start = inputs.t[0] ?? 0;
  const at = (values: Float64Array, hz: number) =>
    Float64Array.from(
      log.columns.t_s,
      (t) => values[Math.min(values.length - 1, Math.max(0, Math.round((t - start) * hz)))] ?? 0,
    );
  return {
    ...log,
    columns: {
      ...log.columns,
      ffb: at(force.signal.wanted, inputs.rateHz),
      torque_nm: at(force.torqueNm, force.baseHz),
    },
  };
}
