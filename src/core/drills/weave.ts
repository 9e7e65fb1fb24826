import { mean } from '../numeric/moments';
import { succeed } from '../problem';
import { noAttempt, type Drill } from './drill';
import { handReversals, perMinute, rateBetween } from './signals';

/** A weave goes to and fro at least so often, by hands that turn at least so far. */
const LEAST_PERIODS = 3;
const LEAST_HAND_DEG = 5;
const PHASES = 40;

/** Rows at which the hand comes through its middle from the right: a period lies between two of them. */
function periodStarts(steer: Float64Array): number[] {
  const starts: number[] = [];
  let armed = false;
  for (let i = 1; i < steer.length; i++) {
    if (steer[i]! < -LEAST_HAND_DEG) armed = true;
    if (armed && steer[i - 1]! < 0 && steer[i]! >= 0) {
      starts.push(i);
      armed = false;
    }
  }
  return starts;
}

/** Two periods of one weave last about as long, and lead the same way. */
const LASTS = 1.6;
const SAME_WAY_RAD = 0.3;

/** The longest row of periods that are one weave along one lane: bends of a road are none. */
function evenWeave(starts: readonly number[], t: Float64Array, x: Float64Array, y: Float64Array): number[] {
  const period = (k: number) => {
    const [from, to] = [starts[k]!, starts[k + 1]!];
    return { s: t[to]! - t[from]!, way: Math.atan2(y[to]! - y[from]!, x[to]! - x[from]!) };
  };
  let best: number[] = [];
  let row: number[] = [];
  for (let k = 0; k + 1 < starts.length; k++) {
    const now = period(k);
    const before = row.length > 0 ? period(k - 1) : null;
    const turned = before ? now.way - before.way : 0;
    const goesOn =
      before !== null &&
      Math.max(now.s / before.s, before.s / now.s) < LASTS &&
      Math.abs(Math.atan2(Math.sin(turned), Math.cos(turned))) < SAME_WAY_RAD;
    row = goesOn ? [...row, starts[k + 1]!] : [starts[k]!, starts[k + 1]!];
    if (row.length > best.length) best = row;
  }
  return best;
}

/** Distance from the straight line through the places, m. */
function besideStraight(x: Float64Array, y: Float64Array): Float64Array {
  const [mx, my] = [mean(x), mean(y)];
  let [xx, xy, yy] = [0, 0, 0];
  for (let i = 0; i < x.length; i++) {
    const [u, v] = [x[i]! - mx, y[i]! - my];
    xx += u * u;
    xy += u * v;
    yy += v * v;
  }
  const along = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [cos, sin] = [Math.cos(along), Math.sin(along)];
  return x.map((v, i) => cos * (y[i]! - my) - sin * (v - mx));
}

export const weave: Drill = {
  needs: ['steer_deg', 'x_m', 'y_m'],
  names: ['reversalsOver2HzPerMin', 'pathSdM', 'hysteresisNm'],
  course: { at: 'lane', speedMps: 10, seconds: 16 },
  leading: 'pathSdM',
  better: { pathSdM: 'less', reversalsOver2HzPerMin: 'less' },
  measure({ columns: { t_s: t, steer_deg: steer, x_m: x, y_m: y, torque_nm: torque } }) {
    const starts = evenWeave(periodStarts(steer!), t, x!, y!);
    if (starts.length <= LEAST_PERIODS)
      return noAttempt(
        'weave',
        'The hands never go to and fro three times.',
        'Weave evenly along the lane, at least three times to and fro.',
      );
    const [from, to] = [starts[0]!, starts.at(-1)!];
    const aside = besideStraight(x!.slice(from, to), y!.slice(from, to));
    const weaves = starts.slice(1).map((end, k) => {
      const start = starts[k]!;
      return Array.from({ length: PHASES }, (_, p) => {
        const at = start + ((end - start) * p) / PHASES;
        const low = Math.floor(at);
        const [a, b] = [aside[low - from]!, aside[Math.min(to - from - 1, low + 1 - from)]!];
        return a + (at - low) * (b - a);
      });
    });
    let squares = 0;
    for (let p = 0; p < PHASES; p++) {
      const usual = mean(weaves.map((one) => one[p]!));
      for (const one of weaves) squares += (one[p]! - usual) ** 2;
    }
    // By how far what is felt in the middle differs between a hand that goes left and one that comes back.
    const felt: { up: number[]; down: number[] } = { up: [], down: [] };
    for (let i = from; torque && i < to; i++) {
      const [before, now] = [steer![i - 1]!, steer![i]!];
      if (before === now || before < 0 === now < 0) continue;
      const share = before / (before - now);
      felt[now > before ? 'up' : 'down'].push(torque[i - 1]! + share * (torque[i]! - torque[i - 1]!));
    }
    const seconds = t[to - 1]! - t[from]!;
    return succeed({
      measures: {
        reversalsOver2HzPerMin: perMinute(
          handReversals(steer!.slice(from, to), rateBetween(t, from, to)),
          seconds,
        ),
        pathSdM: Math.sqrt(squares / (PHASES * (weaves.length - 1))),
        hysteresisNm:
          felt.up.length > 0 && felt.down.length > 0 ? Math.abs(mean(felt.up) - mean(felt.down)) : null,
      },
      warnings: torque ? [] : ['Without "torque_nm" nobody knows how the force comes back.'],
    });
  },
};
