import { relabel, startOfRun, takeLabelOff } from './guideLabels';
import type { GuideContext, GuideState, Leader } from './guideState';
import { dropStroke, sayNothingMoves } from './guideStrokes';

const TURN_STARTS = 0.04;
/** Back in the middle: within this share of the wider lock, for this long. */
const MIDDLE = 0.12;
const BACK_S = 0.3;
/** A side that is turned less than this share of the other was not turned to its lock. */
const LOPSIDED = 0.75;
/** Against what earlier turns showed: shorter does not count, longer shows that those stopped short. */
const SHORTER = 0.95;
const LONGER = 1.05;
const FASTEST_S = 0.45;

/** The wheel from lock to lock, left first, and back to the middle. */
export function turnLeader(): Leader {
  let low = 0;
  let high = 0;
  let lowAt = 0;
  let highAt = 0;
  const begin = () => {
    low = high = 0;
    lowAt = highAt = -1;
  };
  const finish = (context: GuideContext, t: number) => {
    const { state } = context;
    const from = state.stroke!.from;
    state.stroke = null;
    state.since = t;
    const leftFirst = highAt < lowAt || lowAt < 0 ? 1 : -1;
    const leftSign = state.locks ? Math.sign(state.locks.left) : leftFirst;
    const turned = { left: leftSign > 0 ? high : low, right: leftSign > 0 ? low : high };
    const fault = turnFault(state, turned, Math.abs(highAt - lowAt));
    if (fault) {
      relabel(state.runs, from, 'idle', state.samples + 1);
      context.say(fault);
      return;
    }
    keepWidest(state, turned, from);
    context.label('idle');
    context.count(t, high - low);
  };
  return {
    take(context, _step, t, raw) {
      const { state, range } = context;
      const away = raw - state.restLevel!;
      context.label('sweep');
      if (!state.stroke) {
        if (Math.abs(away) > TURN_STARTS * range) {
          const from = startOfRun(state.runs, 'sweep', state.samples);
          state.stroke = { from, t0: t, direction: 0, backSince: null };
          begin();
        } else return sayNothingMoves(context, t);
      }
      const stroke = state.stroke!;
      if (away < low) {
        low = away;
        lowAt = t;
      }
      if (away > high) {
        high = away;
        highAt = t;
      }
      if (Math.abs(away) > MIDDLE * Math.max(high, -low)) stroke.backSince = null;
      else stroke.backSince ??= t;
      const bothSides = Math.min(high, -low) > MIDDLE * Math.max(high, -low);
      const wait = bothSides ? BACK_S : ONE_SIDE_S;
      if (stroke.backSince !== null && t - stroke.backSince >= wait) finish(context, t);
    },
    drop: dropStroke,
  };
}

/** The middle is passed on the way to the other lock; a longer stay there means that only one side was turned. */
const ONE_SIDE_S = 1.2;

function turnFault(state: GuideState, { left, right }: { left: number; right: number }, seconds: number) {
  const [l, r] = [Math.abs(left), Math.abs(right)];
  if (Math.min(l, r) < LOPSIDED * Math.max(l, r)) return shortSide(l < r ? 'left' : 'right', l, r);
  if (seconds < FASTEST_S) return { kind: 'too-fast' as const, seconds };
  const locks = state.locks;
  if (!locks) return null;
  if (l < SHORTER * Math.abs(locks.left)) return shortSide('left', l, Math.abs(locks.left));
  if (r < SHORTER * Math.abs(locks.right)) return shortSide('right', r, Math.abs(locks.right));
  return null;
}

function shortSide(side: 'left' | 'right', a: number, b: number) {
  return { kind: 'short-on-one-side' as const, side, share: Math.min(a, b) / Math.max(a, b) };
}

function keepWidest(state: GuideState, turned: { left: number; right: number }, from: number) {
  const locks = state.locks;
  const isWider =
    locks !== null &&
    (Math.abs(turned.left) > LONGER * Math.abs(locks.left) ||
      Math.abs(turned.right) > LONGER * Math.abs(locks.right));
  if (isWider) {
    takeLabelOff(state.runs, 'sweep', state.from, from);
    state.peaks = [];
  }
  const wider = (a: number, b: number) => (Math.abs(a) > Math.abs(b) ? a : b);
  state.locks = locks
    ? { left: wider(turned.left, locks.left), right: wider(turned.right, locks.right) }
    : turned;
}
