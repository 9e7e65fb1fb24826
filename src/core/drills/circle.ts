import { mean, standardDeviation } from '../numeric/moments';
import { median } from '../numeric/order';
import { solveSymmetric } from '../numeric/solveSymmetric';
import { succeed } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { noAttempt, type Drill } from './drill';
import { footOf, footRateRms, footReversals, perMinute, rateBetween, runs } from './signals';

const DEG = 180 / Math.PI;
/** Driven round means at least once around, at more than walking pace. */
const LEAST_TURN = 2 * Math.PI;
const LEAST_MPS = 2;
/** What lies further from the circle than this share of it is the way in and out. */
const NEAR = 0.25;
/** So far the course has turned before a car is on its circle, rad. */
const WAY_IN = 0.5;
/** A circle is looked for once around at a time, begun so far further each time, rad. */
const ONCE_AROUND = 2 * Math.PI - WAY_IN;
const WINDOW_STEP = 0.8;

interface Circle {
  x: number;
  y: number;
  r: number;
}

/** Circle through points by algebraic least squares (Kåsa 1976). */
export function fitCircle(x: ArrayLike<number>, y: ArrayLike<number>): Circle | null {
  const n = x.length;
  const mx = mean(x);
  const my = mean(y);
  let [uu, uv, vv, uz, vz, z] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [u, v] = [x[i]! - mx, y[i]! - my];
    const s = u * u + v * v;
    uu += u * u;
    uv += u * v;
    vv += v * v;
    uz += (u * s) / 2;
    vz += (v * s) / 2;
    z += s;
  }
  const at = solveSymmetric(Float64Array.of(uu, uv, uv, vv), [uz, vz]);
  return at && { x: mx + at[0]!, y: my + at[1]!, r: Math.sqrt(at[0]! ** 2 + at[1]! ** 2 + z / n) };
}

/** A stretch that turns one way, and its course at every row of the log, rad. */
interface Turning {
  from: number;
  to: number;
  course: Float64Array;
  way: number;
}

/** The longest stretch that turns one way. */
function turning({ columns: { t_s: t, x_m: x, y_m: y } }: RideLog): Turning | null {
  const course = new Float64Array(t.length);
  // Over a metre each, or the rounding of places would turn.
  let last = 0;
  for (let i = 1; i < t.length; i++) {
    const [dx, dy] = [x![i]! - x![last]!, y![i]! - y![last]!];
    if (Math.hypot(dx, dy) < 1) {
      course[i] = course[i - 1]!;
      continue;
    }
    const turned = Math.atan2(dy, dx) - course[last]!;
    course[i] = course[last]! + Math.atan2(Math.sin(turned), Math.cos(turned));
    last = i;
  }
  let best: (Turning & { turn: number }) | null = null;
  for (const way of [1, -1]) {
    let from = 0;
    let top = 0;
    for (let i = 1; i < t.length; i++) {
      // A little back is the foot; half a radian back is another way.
      if (way * course[i]! > way * course[top]!) top = i;
      if (way * course[i]! < way * course[top]! - 0.5) [from, top] = [i, i];
      const turn = way * (course[top]! - course[from]!);
      if (turn >= LEAST_TURN && (!best || turn > best.turn)) {
        // Until it has turned a little it is still the way in.
        let began = from;
        while (way * (course[began]! - course[from]!) < WAY_IN) began++;
        best = { from: began, to: top + 1, course, way, turn };
      }
    }
  }
  return best;
}

/** The turn of a stretch that is most nearly round: other bends may lie before and after the circle. */
function roundest(x: Float64Array, y: Float64Array, { from, to, course, way }: Turning): Circle | null {
  let best: { circle: Circle; off: number } | null = null;
  for (let begins = from; begins < to;) {
    let ends = begins;
    while (ends < to && way * (course[ends]! - course[begins]!) < ONCE_AROUND) ends++;
    if (ends === to && best) break;
    const [u, v] = [x.subarray(begins, ends), y.subarray(begins, ends)];
    const fitted = fitCircle(u, v);
    if (fitted) {
      const off =
        standardDeviation(u.map((one, i) => Math.hypot(one - fitted.x, v[i]! - fitted.y))) / fitted.r;
      if (!best || off < best.off) best = { circle: fitted, off };
    }
    const next = course[begins]! + way * WINDOW_STEP;
    while (begins < to && way * (course[begins]! - next) < 0) begins++;
  }
  return best && best.circle;
}

export const circle: Drill = {
  needs: ['x_m', 'y_m', 'throttle', 'slip_rear_rad'],
  names: ['radiusM', 'radiusSdM', 'slipSdDeg', 'throttleRateRms', 'reversalsPerMin'],
  course: { at: 'circle', speedMps: 9, seconds: 26 },
  leading: 'radiusSdM',
  better: { radiusSdM: 'less', slipSdDeg: 'less', throttleRateRms: 'less', reversalsPerMin: 'less' },
  foot: {
    axis: 'throttle',
    measure: 'throttleRateRms',
    // Half the time it was over it.
    worksAt: ({ columns: { throttle } }) => (throttle ? median(throttle) : null),
  },
  measure(log, { centre }) {
    const { t_s: t, x_m: x, y_m: y, throttle, slip_rear_rad: slip, speed_mps: speed } = log.columns;
    const driven = turning(log);
    const refused = noAttempt(
      'circle',
      'The log holds no circle.',
      'Drive at least once around the circle, one way.',
    );
    if (!driven) return refused;
    const fitted = roundest(x!, y!, driven);
    const at = centre ? { x: centre[0], y: centre[1] } : fitted;
    if (!at) return refused;
    const away = (i: number) => Math.hypot(x![i]! - at.x, y![i]! - at.y);
    const inside = t.subarray(driven.from, driven.to).map((_, k) => away(driven.from + k));
    const usual = fitted && !centre ? fitted.r : median(inside);
    const isOn = (i: number) =>
      i >= driven.from &&
      i < driven.to &&
      Math.abs(away(i) - usual) < NEAR * usual &&
      (!speed || speed[i]! > LEAST_MPS);
    const longest = runs(t, isOn, 0.2).reduce<{ from: number; to: number } | null>(
      (best, one) => (!best || one.to - one.from > best.to - best.from ? one : best),
      null,
    );
    if (!longest || longest.to - longest.from < 20) return refused;
    const { from, to } = longest;
    const rate = rateBetween(t, from, to);
    const radii = Float64Array.from({ length: to - from }, (_, k) => away(from + k));
    const foot = footOf(throttle!.slice(from, to), rate);
    return succeed({
      measures: {
        radiusM: mean(radii),
        radiusSdM: standardDeviation(radii),
        slipSdDeg: DEG * standardDeviation(slip!.subarray(from, to)),
        throttleRateRms: footRateRms(foot, rate),
        reversalsPerMin: perMinute(footReversals(foot), t[to - 1]! - t[from]!),
      },
      warnings: centre ? [] : ['The middle of the circle is fitted: nobody said where it is.'],
    });
  },
};
