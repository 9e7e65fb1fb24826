import { relabel } from './guideLabels';
import type { GuideContext, GuideState, Leader } from './guideState';
import type { CaptureStep } from './programme';

const REST_S = 2.4;
const LATER_REST_S = 1.2;
const COVER_SETTLE_S = 1.4;
const COVER_S = 3.2;
const BY_HAND_S = 1;
/** A resting foot may wander this many times more than an untouched pedal. */
const COVER_SLACK = 7;
const COVER_MOST = 0.25;
/** A rest that moves over more than this share of the range was a turn or a press, not a nudge. */
const TURNED = 0.02;
/** After a hold, the wheel has been let go once it has come back by this share of the angle. */
const LET_GO = 0.5;
const STILL_HELD_S = 2.5;

const isFirstRest = (state: GuideState) => state.restLevel === null;
const restTime = (state: GuideState) => (isFirstRest(state) ? REST_S : LATER_REST_S);

/** Nothing touches the axis: stillness accepts. After a hold the wheel must have come away from it first. */
export const restLeader: Leader = {
  take(context, _step, t, raw) {
    const { state } = context;
    const held = isFirstRest(state) ? undefined : state.holds.at(-1);
    if (held && Math.abs(raw - state.restLevel!) > LET_GO * Math.abs(held.away)) {
      context.label('idle');
      state.stroke ??= { from: state.samples, t0: t, direction: 0, backSince: null };
      if (t - state.stroke.t0 > STILL_HELD_S) context.say({ kind: 'still-held' });
      return;
    }
    if (state.stroke) return context.restart(t, { kind: 'none' });
    context.label('rest');
    const calm = context.still(t, 1);
    if (calm === false) {
      const share = Math.abs(raw - context.level()) / context.range;
      context.restart(t, share > TURNED ? { kind: 'turned-while-resting', share } : { kind: 'moved' });
    } else if (calm && t - state.since! >= restTime(state)) acceptRest(context, t);
  },
  accept(context, _step, t) {
    if (t - context.state.since! < BY_HAND_S) return false;
    acceptRest(context, t);
    return true;
  },
  progress: (state, _step, t) => (t - state.since!) / restTime(state),
};

function acceptRest(context: GuideContext, t: number) {
  context.state.restLevel ??= context.level();
  context.say({ kind: 'none' });
  context.advance(t);
}

/** The foot or hand rests as when driving. */
export const coverLeader: Leader = {
  take(context, _step, t, raw) {
    const { state, range } = context;
    const settling = t - state.since! < COVER_SETTLE_S;
    context.label(settling ? 'idle' : 'cover');
    if (settling) return;
    if (Math.abs(raw - state.restLevel!) > COVER_MOST * range)
      return context.restart(t, { kind: 'pressed-instead-of-resting' });
    const calm = context.still(t, COVER_SLACK);
    if (calm === false) context.restart(t, { kind: 'moved' });
    else if (calm && t - state.since! >= COVER_SETTLE_S + COVER_S) acceptCover(context, t);
  },
  accept(context, _step, t) {
    if (t - context.state.since! - COVER_SETTLE_S < BY_HAND_S) return false;
    acceptCover(context, t);
    return true;
  },
  progress: (state, _step, t) => (t - state.since! - COVER_SETTLE_S) / COVER_S,
};

function acceptCover(context: GuideContext, t: number) {
  context.state.coverLevel = context.level();
  context.say({ kind: 'none' });
  context.advance(t);
}

/** After the 0.8 s that stillness takes to be seen. */
const HOLD_S = 0.9;
const HOLD_SLACK = 3;
/** A quarter turn of the slackest base (2520°) is this share of lock to lock, less a margin. */
const LEAST_QUARTER = 0.028;
/** A hold further than this share from the angle asked for is another angle. */
const ANGLE_SLACK = 0.2;

/** The rim is held at a marked angle; the side and the angle are checked against what is known already. */
export const holdLeader: Leader = {
  take(context, step, t, raw) {
    const { state } = context;
    const away = raw - state.restLevel!;
    const isTurned = Math.abs(away) > leastTurn(context, step);
    context.label('idle');
    if (!isTurned) {
      state.since = t;
      return;
    }
    const calm = context.still(t, HOLD_SLACK);
    if (calm === false) state.since = t;
    if (calm && t - state.since! >= HOLD_S) judgeHold(context, step, t);
  },
  accept(context, step, t) {
    if (t - context.state.since! < BY_HAND_S / 2) return false;
    return judgeHold(context, step, t);
  },
  progress: (state, _step, t) => (t - state.since!) / HOLD_S,
};

/** Counts per degree as the holds so far have it, with its sign; `null` before the first. */
function scaleOf(state: GuideState): number | null {
  const known = state.holds.filter((hold) => hold.degrees !== 0);
  if (known.length === 0) return null;
  return known.reduce((sum, hold) => sum + hold.away / hold.degrees, 0) / known.length;
}

function leastTurn({ state, range }: GuideContext, step: CaptureStep): number {
  const scale = scaleOf(state);
  if (scale !== null) return 0.5 * Math.abs(scale * step.degrees!);
  const span = state.locks ? Math.abs(state.locks.left - state.locks.right) : range;
  return LEAST_QUARTER * span;
}

function judgeHold(context: GuideContext, step: CaptureStep, t: number): boolean {
  const { state } = context;
  const degrees = step.degrees!;
  const away = context.level() - state.restLevel!;
  const scale = scaleOf(state);
  const left = state.locks ? Math.sign(state.locks.left) : scale === null ? 0 : Math.sign(scale);
  state.since = t;
  if (left !== 0 && Math.sign(away) !== left * Math.sign(degrees)) {
    context.say({ kind: 'wrong-side', asked: degrees > 0 ? 'left' : 'right' });
    return false;
  }
  const about = scale === null ? null : away / scale;
  if (about !== null && Math.abs(about - degrees) > ANGLE_SLACK * Math.abs(degrees)) {
    context.say({ kind: 'not-the-angle', asked: Math.abs(degrees), about: Math.round(Math.abs(about)) });
    return false;
  }
  markHold(context, step);
  state.holds.push({ degrees, away });
  context.say({ kind: 'none' });
  context.advance(t);
  return true;
}

/** The hold is the stillness that was just judged, the hand having settled. */
function markHold({ state, recent }: GuideContext, step: CaptureStep) {
  const from = Math.max(state.from, state.samples + 1 - Math.max(3, recent()));
  relabel(state.runs, from, step.label, state.samples + 1);
}
