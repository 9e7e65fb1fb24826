import { median } from '../numeric/order';
import { gateLeader } from './guideGates';
import { relabel, takeLabelOff } from './guideLabels';
import { currentStep, type GuideContext, type GuideRemark, type GuideState, type Leader } from './guideState';
import { coverLeader, holdLeader, restLeader } from './guideStill';
import { enoughRepeats, strokeLeader, takeupLeader } from './guideStrokes';
import { turnLeader } from './guideTurns';
import type { StepKind } from './programme';
import { isStationary, STILL_WINDOW_S } from './stationary';

export interface GuideOptions {
  rangeMin: number;
  rangeMax: number;
}

const GAP_S = 0.5;
/** How often stillness is judged, in seconds of samples. */
const JUDGE_EVERY_S = 0.05;

/**
 * Leads a driver through a capture of one axis by what the axis does: stillness accepts rest, foot and hold, whole
 * movements count as repeats. Labels every sample as it comes; a spoilt attempt is relabelled `idle`.
 * @param start a fresh state with its programme, or that of a capture to go on from
 */
export function captureGuide(options: GuideOptions, start: GuideState) {
  const range = options.rangeMax - options.rangeMin;
  const state: GuideState = structuredClone(start);
  const leaders: Record<StepKind, Leader> = {
    rest: restLeader,
    cover: coverLeader,
    takeup: takeupLeader,
    sweep: state.axis === 'steering' ? turnLeader() : strokeLeader('sweep'),
    press: strokeLeader('press'),
    hold: holdLeader,
    gate: gateLeader(),
  };
  let window: { t: number; raw: number }[] = [];
  let judgedAt = -Infinity;

  const enter = (t: number) => {
    state.from = state.samples + 1;
    state.since = t;
    state.peaks = [];
    state.stroke = null;
    window = [];
  };
  const context: GuideContext = {
    state,
    range,
    label: (label) => relabel(state.runs, state.samples, label, state.samples + 1),
    say(remark) {
      state.remark = remark;
    },
    still(t, slack) {
      if (window.length < 3 || t - window[0]!.t < STILL_WINDOW_S * 0.9) return null;
      if (t - judgedAt < JUDGE_EVERY_S) return null;
      judgedAt = t;
      return isStationary(
        window.map((s) => s.raw),
        range,
        slack,
      );
    },
    level: () => median(window.map((s) => s.raw)),
    recent: () => window.length,
    restart(t, remark) {
      takeLabelOff(state.runs, currentStep(state)!.label, state.from);
      state.since = t;
      state.stroke = null;
      window = [];
      context.say(remark);
    },
    advance(t) {
      state.at++;
      enter(t);
    },
    count(t, peak) {
      const { wanted } = currentStep(state)!;
      state.peaks.push(peak);
      context.say({ kind: 'repeat-counted', done: state.peaks.length, wanted });
      if (state.peaks.length >= wanted) context.advance(t);
    },
  };

  return {
    state,
    /** Takes one sample; time must rise. Returns false for a sample that was left out. */
    feed(t: number, raw: number): boolean {
      if (state.lastT !== null && t <= state.lastT) return false;
      if (state.lastT !== null && t - state.lastT > GAP_S)
        this.interrupt({ kind: 'gap', seconds: t - state.lastT }, t);
      state.since ??= t;
      window.push({ t, raw });
      while (window.length > 0 && t - window[0]!.t > STILL_WINDOW_S) window.shift();
      const step = currentStep(state);
      if (step) leaders[step.kind].take(context, step, t, raw);
      else context.label('idle');
      state.lastT = t;
      state.samples++;
      return true;
    },
    /** The device went away or the clock jumped: the attempt under way is dropped, all accepted repeats stay. */
    interrupt(remark: GuideRemark, t = state.lastT ?? 0) {
      const step = currentStep(state);
      if (!step) return;
      leaders[step.kind].drop?.(context);
      if (step.wanted === 1) return context.restart(t, remark);
      state.since = t;
      window = [];
      context.say(remark);
    },
    /** Accepts the step by hand, where enough is there. */
    accept(): boolean {
      const t = state.lastT;
      const step = currentStep(state);
      if (t === null || state.since === null || !step) return false;
      const leader = leaders[step.kind];
      if (leader.accept) {
        const isDone = leader.accept(context, step, t);
        if (!isDone && state.remark.kind === 'none') context.say({ kind: 'more-needed', done: 0, least: 1 });
        return isDone;
      }
      if (!enoughRepeats(context, step)) return false;
      context.advance(t);
      return true;
    },
    /** Starts the present step again. */
    redo() {
      const step = currentStep(state);
      if (!step) return;
      takeLabelOff(state.runs, step.label, state.from);
      leaders[step.kind].drop?.(context);
      if (step.kind === 'sweep') {
        state.reach = 0;
        state.locks = null;
      }
      state.gates = state.gates.filter((g) => g.gate !== step.gate);
      enter(state.lastT ?? 0);
      state.from = state.samples;
      context.say({ kind: 'none' });
    },
    /** Share of the present step that is done, 0…1. */
    progress(): number {
      const step = currentStep(state);
      if (!step) return 1;
      const t = state.lastT;
      if (t === null || state.since === null) return 0;
      const share = leaders[step.kind].progress?.(state, step, t) ?? state.peaks.length / step.wanted;
      return Math.min(1, Math.max(0, share));
    },
  };
}
