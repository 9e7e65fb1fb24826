import type { Recording } from '@/core/axes/recording';
import { isSpin, massLabel } from '@/core/identify/hungMass';
import { spinGuide, type SpinRemark, type SpinStep } from '@/core/identify/spinGuide';
import { sampleRecorder } from '@/devices/recorder';
import type { DeviceSource, SampleBatch } from '@/devices/source';

/** So many spins and releases are asked for: with them the intervals are a few per cent wide. */
export const FLICKS = 16;
export const RELEASES = 10;

/** What the screen shows of a measurement under way; small, so that it may pass through React. */
export interface SpinStatus {
  step: SpinStep | null;
  done: number;
  motion: 'waiting' | 'held' | 'running';
  remark: SpinRemark;
  from: 1 | -1 | null;
  flicks: number;
  releases: number;
  isGone: boolean;
}

export interface Mass {
  grams: number;
  millimetres: number;
}

/**
 * Spins by hand and releases of a mass, recorded from a live wheel. Nothing is sent to it.
 * @param countsPerDegree raw counts for a degree to the left
 * @param onCounted called when one more spin or release counts
 */
export function spinSession(
  source: DeviceSource,
  countsPerDegree: number,
  onStatus: (status: SpinStatus) => void,
  onCounted: () => void,
) {
  const guide = spinGuide(countsPerDegree);
  const recorder = sampleRecorder(['steering']);
  const range = source.info.ranges.steering ?? { min: 0, max: 1 };
  const startedMs = Date.now();
  let counted = { flicks: 0, releases: 0 };
  let told = '';
  const tell = () => {
    const { step, done, motion, remark, from } = guide.state;
    const status = { step, done, motion, remark, from, ...counted, isGone: source.state === 'gone' };
    const news = JSON.stringify(status);
    if (news === told) return;
    told = news;
    onStatus(status);
  };
  const takeCount = () => {
    const labels = guide.state.runs.map(({ label }) => label).filter(isSpin);
    const flicks = labels.filter((label) => label === 'flick').length;
    counted = { flicks, releases: labels.length - flicks };
    const { step, done } = guide.state;
    if (step && step.kind !== 'rest' && done >= step.wanted) guide.ask(null);
    onCounted();
  };
  const take = ({ t, axes }: SampleBatch) => {
    const raw = axes.steering;
    if (!raw) return;
    for (let i = 0; i < raw.length; i++) {
      const wasResting = guide.state.step?.kind === 'rest';
      const before = guide.state.done;
      if (!guide.feed(t[i]!, raw[i]!)) continue;
      recorder.push(t[i]!, [raw[i]!]);
      if (wasResting && guide.state.step === null) guide.ask({ kind: 'flick', wanted: FLICKS });
      if (guide.state.done > before) takeCount();
    }
    tell();
  };
  const stop = source.subscribe({
    samples: take,
    state(next) {
      if (next === 'gone') guide.interrupt();
      tell();
    },
  });
  tell();
  return {
    recorder,
    guide,
    countsPerDegree,
    range,
    /** A mass hangs on the rim now: its releases are asked for. */
    hang({ grams, millimetres }: Mass) {
      guide.ask({ kind: 'pendulum', label: massLabel(grams, millimetres), wanted: RELEASES });
      tell();
    },
    /** More free spins, beyond those that counted. */
    flick() {
      guide.ask({ kind: 'flick', wanted: FLICKS });
      tell();
    },
    /** Those that counted are enough. */
    enough() {
      guide.ask(null);
      tell();
    },
    /** What was recorded so far, as a file would hold it. */
    recording(): Recording {
      const { t, axes } = recorder.rows(0);
      const raw = axes.steering!;
      return {
        t,
        axes,
        runs: structuredClone(guide.state.runs),
        device: source.info.label,
        // Some devices say less of their range than they send: what came counts.
        rangeMin: raw.reduce((least, value) => Math.min(least, value), range.min),
        rangeMax: raw.reduce((most, value) => Math.max(most, value), range.max),
        rateHz: source.info.rateHz,
        countsPerDegree,
        startedMs,
      };
    },
    close: stop,
  };
}

export type SpinSession = ReturnType<typeof spinSession>;
