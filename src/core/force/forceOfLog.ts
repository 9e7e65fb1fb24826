import { median } from '../numeric/order';
import { lateralOf, rateOf } from '../rides/logSignals';
import type { RideLog } from '../rides/rideLog';
import type { SettingKey } from '../settings/setting';
import { meantSignal, smoothnessOf, type Smoothness } from './detail';
import type { ForceParameter } from './forceParameters';
import type { TitleForce } from './forceSettings';
import type { ForceChain } from './handsOff';
import { corneringFrom, judgeLog, type SignalJudgement } from './judgeForce';
import { liftSmall } from './minimumForce';
import { baseOverRide } from './rideForce';

const BASE_HZ = 1000;
/** Longer than this and more of the same tells no more, s. */
const MOST_S = 300;
const RAD = Math.PI / 180;

/** What a title does after its force was logged. */
const AFTER_LOG: readonly ForceParameter[] = ['gain', 'minForce', 'titleDamper', 'titleSpring'];

/** Whether a log driven with one value tells the force with another: what acts before the logged force it does not. */
export const actsOnLog = ({ layer, field }: Pick<SettingKey, 'layer' | 'field'>): boolean =>
  layer === 'base' || (AFTER_LOG as readonly string[]).includes(field);

/** What some settings make of the force that a ride was driven with. */
export interface ForceOfLog
  extends Pick<Smoothness, 'detail' | 'roughness'>, Pick<SignalJudgement, 'clipShare' | 'sustainedShare'> {
  /** Median torque in corners, N·m; `null` where the log does not say where it corners. */
  cornerNm: number | null;
  /** Rows a second: what is faster the log cannot tell. */
  rateHz: number;
}

/**
 * The force channel of a log through title's gain, base and motor, the rim held where it was held: computed, with no simulated
 * car. Of a longer ride its last five minutes; clipping is of all of it.
 * @param loggedGain of the title when it was driven; what was logged is scaled from it
 * @returns `null` where the log has no force, no hand-wheel angle or no speed
 */
export function forceOfLog(
  log: RideLog,
  { title, base, hardware }: Pick<ForceChain, 'base' | 'hardware'> & { title: Omit<TitleForce, 'rateHz'> },
  loggedGain: number = title.gain,
): ForceOfLog | null {
  const { columns } = log;
  const { t_s: t, ffb, steer_deg: steer, speed_mps: speed, surface } = columns;
  const rateHz = Math.min(BASE_HZ, rateOf(columns));
  const judged = judgeLog(log, loggedGain, title.gain);
  if (!ffb || !steer || !speed || !judged || !(rateHz > 0)) return null;
  const from = t.findIndex((at) => at >= t.at(-1)! - MOST_S);
  const even = evenly(t, from, rateHz);
  const on = (values: Float64Array) => Float64Array.from(even, (i) => values[i]!);
  const inputs = {
    rateHz,
    t: Float64Array.from(even, (_, i) => i / rateHz),
    hand: on(steer).map((deg) => deg * RAD),
    speedMps: on(speed),
    surface: surface ? on(surface) : new Float64Array(even.length),
  };
  const scaled = on(ffb).map((u) => (u * title.gain) / loggedGain);
  const given = scaled.map((u) => liftSmall(Math.min(1, Math.max(-1, u)), title.minForce));
  const chain = { title: { ...title, rateHz }, base, hardware };
  const lateral = lateralOf(columns);
  const { detail, roughness } = smoothnessOf(meantSignal(inputs, { given }, BASE_HZ), chain);
  const { clipShare, sustainedShare } = judged.judgement;
  return {
    ...{ clipShare, sustainedShare, detail, roughness },
    cornerNm: lateral && weightIn(baseOverRide(inputs, given, chain).torqueNm, on(lateral), rateHz),
    rateHz,
  };
}

/** Rows at an even rate: of each moment the last row that was there. */
function evenly(t: Float64Array, from: number, rateHz: number): Int32Array {
  const count = Math.floor((t.at(-1)! - t[from]!) * rateHz + 1e-6) + 1;
  let row = from;
  return Int32Array.from({ length: count }, (_, i) => {
    while (row + 1 < t.length && t[row + 1]! <= t[from]! + i / rateHz + 1e-6) row++;
    return row;
  });
}

function weightIn(torqueNm: Float64Array, lateral: Float64Array, rateHz: number): number | null {
  const corner = corneringFrom(lateral);
  const inCorners = [...lateral.keys()].flatMap((i) =>
    Math.abs(lateral[i]!) > corner
      ? [Math.abs(torqueNm[Math.min(torqueNm.length - 1, Math.round((i * BASE_HZ) / rateHz))] ?? 0)]
      : [],
  );
  return inCorners.length === 0 ? null : median(inCorners);
}
