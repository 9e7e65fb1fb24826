import type { CaptureStep } from './programme';
import type { AxisName } from './axes';
import type { PhaseRun } from './recording';

/** What the guide says about the last thing that happened. */
export type GuideRemark =
  | { kind: 'none' }
  | { kind: 'moved' }
  | { kind: 'turned-while-resting'; share: number }
  | { kind: 'pressed-instead-of-resting' }
  | { kind: 'pressed-too-far'; share: number }
  | { kind: 'too-fast'; seconds: number }
  | { kind: 'not-to-the-stop'; share: number }
  | { kind: 'short-on-one-side'; side: 'left' | 'right'; share: number }
  | { kind: 'not-held' }
  | { kind: 'press-stopped-early'; share: number; others: number }
  | { kind: 'wrong-side'; asked: 'left' | 'right' }
  | { kind: 'not-the-angle'; asked: number; about: number }
  | { kind: 'still-held' }
  | { kind: 'gate-read'; reading: number; done: number; wanted: number }
  | { kind: 'gate-taken'; reading: number; gate: number }
  | { kind: 'repeat-counted'; done: number; wanted: number }
  | { kind: 'nothing-moves'; seconds: number }
  | { kind: 'gap'; seconds: number }
  | { kind: 'unplugged' }
  | { kind: 'more-needed'; done: number; least: number };

/** A movement under way: the sample and time at which it began, its direction, and since when it is back. */
interface Stroke {
  from: number;
  t0: number;
  direction: number;
  backSince: number | null;
}

/** The guide's whole memory, plain data: a capture can be put down and taken up again. */
export interface GuideState {
  axis: AxisName;
  steps: CaptureStep[];
  /** Index of the step under way; the number of steps once all are done. */
  at: number;
  /** Sample and time at which the step began; `since` moves with every new attempt at it. */
  from: number;
  since: number | null;
  lastT: number | null;
  samples: number;
  runs: PhaseRun[];
  restLevel: number | null;
  coverLevel: number | null;
  /** Peaks counted so far in this step, in counts away from rest. */
  peaks: number[];
  stroke: Stroke | null;
  /** Pedals: greatest count away from rest in the sweeps, with its sign. */
  reach: number;
  /** Steering: counts from rest to the locks in the sweeps, each with its sign; left is turned to first. */
  locks: { left: number; right: number } | null;
  /** Steering: holds accepted, degrees and counts away from rest. */
  holds: { degrees: number; away: number }[];
  /** Shifter: which reading was taken for which gate. */
  gates: { gate: number; reading: number }[];
  remark: GuideRemark;
}

export function freshGuide(axis: AxisName, steps: CaptureStep[]): GuideState {
  return {
    axis,
    steps,
    at: 0,
    from: 0,
    since: null,
    lastT: null,
    samples: 0,
    runs: [],
    restLevel: null,
    coverLevel: null,
    peaks: [],
    stroke: null,
    reach: 0,
    locks: null,
    holds: [],
    gates: [],
    remark: { kind: 'none' },
  };
}

/** Clock, labels and judgements that the leader of a step works with. */
export interface GuideContext {
  state: GuideState;
  /** The device's range in counts. */
  range: number;
  /** Gives the present sample a label. */
  label(label: string): void;
  say(remark: GuideRemark): void;
  /** Whether the axis held still over the last 0.8 s; `null` while that cannot be told. */
  still(t: number, slack: number): boolean | null;
  /** Median of the last 0.8 s, and how many samples those are: a page under load gives fewer. */
  level(): number;
  recent(): number;
  /** Drops this attempt at the step and begins it again. */
  restart(t: number, remark: GuideRemark): void;
  /** The step is done. */
  advance(t: number): void;
  /** One more repeat is done; the last one ends the step. */
  count(t: number, peak: number): void;
}

/** Leads the driver through steps of one kind. */
export interface Leader {
  take(context: GuideContext, step: CaptureStep, t: number, raw: number): void;
  /** The repeat under way is broken off. */
  drop?(context: GuideContext): void;
  /** By hand: whether there is enough to go on with; does what is left to do for it. */
  accept?(context: GuideContext, step: CaptureStep, t: number): boolean;
  /** Share of the step that is done, 0…1, where it is not a number of repeats. */
  progress?(state: GuideState, step: CaptureStep, t: number): number;
}

export function currentStep(state: GuideState): CaptureStep | null {
  return state.steps[state.at] ?? null;
}
