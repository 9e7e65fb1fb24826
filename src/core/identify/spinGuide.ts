import type { PhaseRun } from '../axes/recording';
import { relabel } from '../axes/guideLabels';
import type { massLabel } from './hungMass';

/** Speed is the slope over this much time, s. */
const SPEED_S = 0.03;
/** A rim that goes slower than this, rad/s, has come to its end; it lies still where it hardly moved over so much time. */
const STILL_RADPS = 0.15;
const STILL_WINDOW_S = 0.25;
const STILL_RAD = (2.1 * Math.PI) / 180;
const REST_S = 0.8;
const HELD_S = 0.4;
const READY_S = 0.2;
const STOPPED_S = 0.25;
/** A spin is worth it from this speed, rad/s, and this far, rad. */
const FLICK_RADPS = 3;
const FLICK_RAD = (25 * Math.PI) / 180;
const SWING_RADPS = 1.2;
/** The hand is off this long after the rim was fastest, s. */
const HAND_OFF_S = 0.04;
/** A rim that runs out slows evenly; one that is caught, or meets its stop, slows this much harder than it did. */
const CAUGHT = 3.5;
const BRAKING_WINDOW_S = 0.06;
/** From where a pendulum is let go, rad. */
const HELD_FROM_RAD = (60 * Math.PI) / 180;
const HELD_TO_RAD = (130 * Math.PI) / 180;
/** A spin starts no further out than this, rad, and ends well on its way to the other side: what only turns back is no spin. */
const WOUND_RAD = (200 * Math.PI) / 180;
const LEFT_OVER = 0.4;

export type SpinRemark =
  'none' | 'counted' | 'too-slow' | 'too-short' | 'caught' | 'held-still' | 'not-that-far' | 'gap';

/** What is asked for: the rim at rest, free spins, or releases with a mass. */
export type SpinStep =
  | { kind: 'rest' }
  | { kind: 'flick'; wanted: number }
  | { kind: 'pendulum'; label: ReturnType<typeof massLabel>; wanted: number };

interface SpinState {
  step: SpinStep | null;
  /** Spins or releases of the step that counted. */
  done: number;
  /** What the rim does: waited for, held at an angle, or running. */
  motion: 'waiting' | 'held' | 'running';
  remark: SpinRemark;
  /** From which side the next spin starts: 1 left, −1 right, `null` for any. */
  from: 1 | -1 | null;
  runs: PhaseRun[];
  samples: number;
}

interface Sample {
  t: number;
  angle: number;
  speed: number;
  index: number;
}

const GAP_S = 0.3;

/**
 * Leads through spins by hand and releases of a mass by what the rim does: no button is needed. Labels the samples that the
 * estimator may use, from the moment the hand is off until the rim stands.
 * @param countsPerDegree raw counts for a degree to the left
 */
export function spinGuide(countsPerDegree: number) {
  const radians = Math.PI / 180 / countsPerDegree;
  const state: SpinState = {
    step: { kind: 'rest' },
    done: 0,
    motion: 'waiting',
    remark: 'none',
    from: null,
    runs: [],
    samples: 0,
  };
  let recent: { t: number; raw: number }[] = [];
  let lately: { t: number; raw: number }[] = [];
  let track: Sample[] = [];
  let stillSince: number | null = null;
  let centre: number | null = null;
  let lastT: number | null = null;

  const speedNow = (): number => {
    const n = recent.length;
    if (n < 3) return 0;
    const mt = recent.reduce((sum, { t }) => sum + t, 0) / n;
    const mr = recent.reduce((sum, { raw }) => sum + raw, 0) / n;
    let [cross, square] = [0, 0];
    for (const { t, raw } of recent) {
      cross += (t - mt) * (raw - mr);
      square += (t - mt) ** 2;
    }
    return square > 0 ? (cross / square) * radians : 0;
  };
  /** How far the rim moved lately, rather than how fast: a coarse sensor that wavers between two counts has no speed. */
  const isStill = (t: number, raw: number): boolean => {
    lately.push({ t, raw });
    while (lately[0]!.t < t - STILL_WINDOW_S) lately.shift();
    let [least, most] = [raw, raw];
    for (const one of lately) {
      least = Math.min(least, one.raw);
      most = Math.max(most, one.raw);
    }
    return t - lately[0]!.t > STILL_WINDOW_S / 2 && (most - least) * Math.abs(radians) < STILL_RAD;
  };
  const say = (remark: SpinRemark) => {
    state.remark = remark;
    state.motion = 'waiting';
    track = [];
    stillSince = null;
  };
  const count = (label: string, from: number, to: number) => {
    relabel(state.runs, from, label, to);
    relabel(state.runs, to, 'idle', state.samples + 1);
    state.done++;
    say('counted');
  };
  const finishFlick = (way: number) => {
    const [start, end] = [track[0]!.angle, track.at(-1)!.angle];
    if (end / start > LEFT_OVER) return say('too-short');
    const fault = flickFault(track);
    if (fault) return say(fault);
    const [from, to] = freePart(track);
    count('flick', track[from]!.index, track[to]!.index);
    state.from = way > 0 ? 1 : -1;
  };
  const finishRelease = (label: string) => {
    const fastest = track.reduce((most, { speed }) => Math.max(most, Math.abs(speed)), 0);
    if (fastest < SWING_RADPS) return say('too-slow');
    count(label, track[0]!.index, track.at(-1)!.index);
  };
  const lead = (now: Sample, stillS: number) => {
    const { step } = state;
    if (!step) return;
    const fast = Math.abs(now.speed);
    if (step.kind === 'rest') {
      if (stillS < REST_S) return;
      centre = now.angle / radians + (centre ?? 0);
      const first = track.findLast(({ t }) => now.t - t >= REST_S)?.index ?? Math.max(0, state.samples - 2);
      relabel(state.runs, first, 'rest', state.samples + 1);
      state.step = null;
      return say('none');
    }
    if (step.kind === 'flick') {
      const side = Math.sign(now.angle);
      const isOut =
        Math.abs(now.angle) > HELD_FROM_RAD &&
        Math.abs(now.angle) < WOUND_RAD &&
        (state.from === null || side === state.from);
      if (state.motion !== 'running') {
        if (isOut && stillS >= READY_S) {
          state.motion = 'held';
          track = [now];
        } else if (state.motion === 'held' && fast > FLICK_RADPS) {
          // Only a spin towards the other side: winding up goes the other way.
          if (Math.sign(now.speed) === -Math.sign(track[0]!.angle)) state.motion = 'running';
          else say(state.remark);
        }
        return;
      }
      const way = -Math.sign(track[0]!.angle);
      track.push(now);
      if (way * now.speed < STILL_RADPS) finishFlick(way);
      return;
    }
    if (state.motion === 'waiting' || state.motion === 'held') {
      const isOut = Math.abs(now.angle) > HELD_FROM_RAD && Math.abs(now.angle) < HELD_TO_RAD;
      if (isOut && stillS >= HELD_S) {
        state.motion = 'held';
        state.remark = 'held-still';
        track = [now];
      } else if (state.motion === 'held' && fast > STILL_RADPS) {
        state.motion = 'running';
        track.push(now);
      } else if (stillS >= HELD_S && !isOut && Math.abs(now.angle) > HELD_FROM_RAD / 3)
        state.remark = 'not-that-far';
      return;
    }
    track.push(now);
    if (stillS >= STOPPED_S) finishRelease(step.label);
  };
  return {
    state,
    /** Raw reading at the centre; `null` before the rest is done. */
    centre: () => centre,
    /** Takes one sample; time must rise. Returns false for a sample that was left out. */
    feed(t: number, raw: number): boolean {
      if (lastT !== null && t <= lastT) return false;
      if (lastT !== null && t - lastT > GAP_S) {
        recent = [];
        lately = [];
        const isUnderWay = state.motion !== 'waiting';
        say(isUnderWay ? 'gap' : state.remark);
      }
      lastT = t;
      recent.push({ t, raw });
      while (recent[0]!.t < t - SPEED_S && recent.length > 5) recent.shift();
      relabel(state.runs, state.samples, 'idle', state.samples + 1);
      const speed = speedNow();
      if (isStill(t, raw)) stillSince ??= t;
      else stillSince = null;
      const now = { t, angle: (raw - (centre ?? 0)) * radians, speed, index: state.samples };
      if (state.step?.kind === 'rest') track.push(now);
      lead(now, stillSince === null ? 0 : t - stillSince);
      state.samples++;
      return true;
    },
    /** Asks for something else; what counted so far stays. */
    ask(step: SpinStep | null) {
      state.step = step;
      state.done = 0;
      state.from = null;
      say('none');
    },
    /** The device went away: the spin under way is dropped. */
    interrupt() {
      recent = [];
      lately = [];
      say('gap');
    },
  };
}

/** First and last sample of a spin that nobody holds: after its fastest moment, until it stands. */
function freePart(track: readonly Sample[]): [number, number] {
  let fastest = 0;
  track.forEach(({ speed }, i) => {
    if (Math.abs(speed) > Math.abs(track[fastest]!.speed)) fastest = i;
  });
  const off = track.findIndex(({ t }) => t >= track[fastest]!.t + HAND_OFF_S);
  return [off < 0 ? track.length - 1 : off, track.length - 1];
}

function flickFault(track: readonly Sample[]): SpinRemark | null {
  const [from, to] = freePart(track);
  const free = track.slice(from, to + 1);
  if (free.length < 8 || Math.abs(free.at(-1)!.angle - free[0]!.angle) < FLICK_RAD) return 'too-short';
  const braking: number[] = [];
  for (let i = 0, k = 0; i < free.length; i++) {
    while (k < free.length && free[k]!.t < free[i]!.t + BRAKING_WINDOW_S) k++;
    if (k >= free.length) break;
    braking.push(Math.abs(free[k]!.speed - free[i]!.speed) / (free[k]!.t - free[i]!.t));
  }
  if (braking.length < 3) return 'too-short';
  const sorted = braking.toSorted((a, b) => a - b);
  const usual = sorted[sorted.length >> 1]!;
  return sorted.at(-1)! > CAUGHT * usual ? 'caught' : null;
}
