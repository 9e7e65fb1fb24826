import { captureGuide } from '../axes/guide';
import { currentStep, freshGuide } from '../axes/guideState';
import { obedientMotion } from '../axes/actor';
import type { CaptureStep } from '../axes/programme';
import type { AxisName } from '../axes/axes';
import type { Recording } from '../axes/recording';
import { playAxis, rangeOf, type SimulatedAxis } from '../axes/simulatedAxis';
import { seededRandom } from '../numeric/random';

/** How a host asks a device for its readings. */
export interface Polling {
  rateHz: number;
  /** A poll comes this late at most, s. */
  jitterS: number;
  /** Share of polls that never come, and how often in a second the host stands still for up to a tenth of one. */
  dropped: number;
  stallsPerS: number;
  /** Both the reading and its time come late, or only the time that is written beside it. */
  late: 'reading' | 'time';
  /** The device reports this often; between reports the host reads the last one again. */
  deviceHz: number;
}

const LONGEST_STALL_S = 0.1;
const LONGEST_S = 400;
const LEAST_BETWEEN_S = 0.0002;

/** A guided capture of one axis through a host that polls unevenly; the same seed gives the same bits. */
export function polledCapture(
  axis: AxisName,
  steps: CaptureStep[],
  simulated: SimulatedAxis,
  polling: Polling,
  seed: number,
): Recording {
  const random = seededRandom(seed * 7 + 3);
  const played = playAxis(simulated, seed, polling.deviceHz);
  const range = rangeOf(simulated);
  const guide = captureGuide(range, freshGuide(axis, steps));
  let reports = 0;
  let last = range.rangeMin;
  /** The device's last report at a time that never falls. */
  const readAt = (time: number) => {
    for (; reports / polling.deviceHz <= time; reports++) {
      played.intend(obedientMotion(currentStep(guide.state)));
      last = played.sample(reports / polling.deviceHz);
    }
    return last;
  };
  const t: number[] = [];
  const raw: number[] = [];
  let standsStillUntil = 0;
  for (let i = 0; currentStep(guide.state); i++) {
    const due = i / polling.rateHz;
    if (due > LONGEST_S) throw new Error('the polled capture did not end');
    if (random.uniform() < polling.stallsPerS / polling.rateHz)
      standsStillUntil = due + LONGEST_STALL_S * random.uniform();
    const lateBy = polling.jitterS * random.uniform();
    if (random.uniform() < polling.dropped || due < standsStillUntil) continue;
    const time = Math.max(due + lateBy, (t.at(-1) ?? -1) + LEAST_BETWEEN_S);
    const count = readAt(polling.late === 'reading' ? time : due);
    guide.feed(time, count);
    t.push(time);
    raw.push(count);
  }
  return {
    t: Float64Array.from(t),
    runs: guide.state.runs,
    axes: { [axis]: Float64Array.from(raw) },
    device: 'polled',
    ...range,
    rateHz: polling.rateHz,
  };
}
