import { median } from '../numeric/order';
import { relabel, startOfRun, takeLabelOff } from './guideLabels';
import type { GuideContext, GuideRemark, GuideState, Leader } from './guideState';
import type { CaptureStep } from './programme';

const STROKE_STARTS = 0.05;
const STROKE_ENDS = 0.025;
const CLEAR_OF_FOOT = 0.015;
const BACK_S = 0.25;
const FASTEST_UP_S = 0.45;
const FULL_STROKE = 0.8;
const LONGER_STROKE = 1.25;
const HELD_SHARE = 0.9;
const LEAST_HOLD_S = 0.25;
const FULL_PRESS = 0.6;
const NOTHING_MOVES_S = 12;

/** Whole movements count: pressed to the stop and back, or as hard as is comfortable and back. */
export function strokeLeader(phase: 'sweep' | 'press'): Leader {
  /** Readings of the movement under way; a movement is never resumed, so this is not part of the state. */
  let trace: { t: number; away: number }[] = [];
  const finish = (context: GuideContext, t: number, direction: number) => {
    const { state } = context;
    const stroke = state.stroke!;
    state.stroke = null;
    state.since = t;
    const { peak, upS, heldS } = measureStroke(trace, stroke.t0);
    const fault = phase === 'sweep' ? sweepFault(state, peak, upS) : pressFault(state, peak, heldS);
    if (fault) {
      relabel(state.runs, stroke.from, 'idle', state.samples + 1);
      context.say(fault);
      return;
    }
    if (phase === 'sweep') keepLongest(state, peak, stroke.from);
    else state.peaks = state.peaks.filter((p) => p >= FULL_PRESS * peak);
    if (phase === 'sweep') state.reach = direction * Math.max(peak, ...state.peaks);
    // A sample of `idle` ends the run, so that the next repeat is a new one.
    context.label('idle');
    context.count(t, peak);
  };
  return {
    take(context, _step, t, raw) {
      const { state, range } = context;
      const known = state.stroke?.direction ?? Math.sign(state.reach);
      const direction = known === 0 ? Math.sign(raw - state.restLevel!) : known;
      const away = (raw - state.restLevel!) * direction;
      const foot = Math.abs((state.coverLevel ?? state.restLevel!) - state.restLevel!);
      const ends = Math.max(STROKE_ENDS * range, foot + CLEAR_OF_FOOT * range);
      const starts = ends + (STROKE_STARTS - STROKE_ENDS) * range;
      const stroke = state.stroke;
      if (!stroke) {
        context.label(phase === 'sweep' ? 'sweep' : 'idle');
        if (away > starts) {
          const from = phase === 'sweep' ? startOfRun(state.runs, phase, state.samples) : state.samples;
          state.stroke = { from, t0: t, direction, backSince: null };
          trace = [{ t, away }];
          if (phase === 'press') context.label('press');
        } else sayNothingMoves(context, t);
        return;
      }
      context.label(phase);
      trace.push({ t, away });
      if (away >= ends) stroke.backSince = null;
      else stroke.backSince ??= t;
      if (stroke.backSince !== null && t - stroke.backSince >= BACK_S) finish(context, t, direction);
    },
    drop: dropStroke,
  };
}

export function sayNothingMoves({ state, say }: GuideContext, t: number) {
  const seconds = t - state.since!;
  if (seconds > NOTHING_MOVES_S) say({ kind: 'nothing-moves', seconds: Math.round(seconds) });
}

export function dropStroke({ state }: GuideContext) {
  if (state.stroke) relabel(state.runs, state.stroke.from, 'idle');
  state.stroke = null;
}

function measureStroke(trace: { t: number; away: number }[], t0: number) {
  const peak = trace.reduce((most, s) => Math.max(most, s.away), 0);
  const high = trace.filter((s) => s.away >= HELD_SHARE * peak);
  const first = high[0]!.t;
  return { peak, upS: first - t0, heldS: high.at(-1)!.t - first };
}

function sweepFault(state: GuideState, peak: number, upS: number): GuideRemark | null {
  if (upS < FASTEST_UP_S) return { kind: 'too-fast', seconds: upS };
  const reach = Math.abs(state.reach);
  return peak < FULL_STROKE * reach ? { kind: 'not-to-the-stop', share: peak / reach } : null;
}

function pressFault(state: GuideState, peak: number, heldS: number): GuideRemark | null {
  if (heldS < LEAST_HOLD_S) return { kind: 'not-held' };
  if (state.peaks.length === 0) return null;
  const typical = median(state.peaks);
  const reach = Math.abs(state.reach);
  return peak < FULL_PRESS * typical
    ? { kind: 'press-stopped-early', share: peak / reach, others: typical / reach }
    : null;
}

/** A much longer stroke shows that the earlier ones stopped short: they no longer count. */
function keepLongest(state: GuideState, peak: number, from: number) {
  if (peak <= LONGER_STROKE * Math.abs(state.reach) || state.peaks.length === 0) return;
  takeLabelOff(state.runs, 'sweep', state.from, from);
  state.peaks = [];
}

const TAKEUP_LEAST = 0.008;
const TAKEUP_BACK = 0.004;
const TAKEUP_MOST = 0.35;
const TAKEUP_HOLD_S = 0.7;
const TAKEUP_SLACK = 4;

/** Pressed only until resistance is felt, held still, let go again. */
export const takeupLeader: Leader = {
  take(context, step, t, raw) {
    const { state } = context;
    const reach = state.reach === 0 ? context.range : Math.abs(state.reach);
    const travel = Math.abs(raw - state.restLevel!) / reach;
    const isHeld = state.stroke !== null && state.stroke.backSince !== null;
    context.label('idle');
    if (isHeld) {
      if (travel < Math.max(TAKEUP_BACK, TAKEUP_LEAST / 2)) {
        state.stroke = null;
        state.since = t;
        context.count(t, state.reach === 0 ? 0 : travel);
      }
      return;
    }
    if (travel > TAKEUP_MOST) {
      state.stroke = null;
      state.since = t;
      context.say({ kind: 'pressed-too-far', share: travel });
      return;
    }
    if (travel < TAKEUP_LEAST) {
      state.stroke = null;
      return sayNothingMoves(context, t);
    }
    state.stroke ??= { from: state.samples, t0: t, direction: 1, backSince: null };
    const calm = context.still(t, TAKEUP_SLACK);
    if (calm === false) {
      state.stroke.t0 = t;
      state.stroke.from = state.samples;
    }
    if (calm && t - state.stroke.t0 >= TAKEUP_HOLD_S) {
      relabel(state.runs, state.stroke.from, step.label, state.samples + 1);
      // Held long enough; it counts when the pedal is let go.
      state.stroke.backSince = t;
    }
  },
  drop({ state }) {
    state.stroke = null;
  },
};

/** By hand: enough repeats are there. */
export function enoughRepeats({ state, say }: GuideContext, { least }: CaptureStep): boolean {
  if (state.peaks.length >= least) return true;
  say({ kind: 'more-needed', done: state.peaks.length, least });
  return false;
}
