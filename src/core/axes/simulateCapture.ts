import { obedientMotion } from './actor';
import type { FootHabits } from './foot';
import { captureGuide } from './guide';
import { currentStep, freshGuide } from './guideState';
import type { PedalHardware } from './pedalSensor';
import { programmeFor, type CaptureStep, type ProgrammeOptions } from './programme';
import type { AxisName, PedalAxis } from './axes';
import type { Recording } from './recording';
import { playAxis, rangeOf, type SimulatedAxis } from './simulatedAxis';

/** How a device is read: evenly, each report once, where nothing else is said. */
export interface Host {
  /** The device reports this often. */
  deviceHz: number;
  /** Poll number `i`: when its reading is taken, and the time that is written beside it, s; `null` for one that never comes. */
  poll(i: number): { readS: number; atS: number } | null;
}

export interface SimulatedCaptureSpec {
  axis: AxisName;
  device: string;
  simulated: SimulatedAxis;
  steps: CaptureStep[];
  rateHz: number;
  seed: number;
  host?: Host;
}

/** A capture that never ends is a bug of the guide, not a long one. */
const LONGEST_S = 400;

/** A whole guided capture by somebody who follows the guide; the same spec gives the same bits. */
export function simulateGuidedCapture(spec: SimulatedCaptureSpec): Recording {
  const { simulated, rateHz } = spec;
  const { deviceHz, poll } = spec.host ?? evenly(rateHz);
  const played = playAxis(simulated, spec.seed, deviceHz);
  const range = rangeOf(simulated);
  const guide = captureGuide(range, freshGuide(spec.axis, spec.steps));
  const t: number[] = [];
  const raw: number[] = [];
  let reports = 0;
  let count = range.rangeMin;
  for (let i = 0; currentStep(guide.state); i++) {
    if (i > LONGEST_S * rateHz)
      throw new Error(`the simulated capture did not end (${currentStep(guide.state)!.label})`);
    const polled = poll(i);
    if (!polled) continue;
    for (; reports / deviceHz <= polled.readS; reports++) {
      played.intend(obedientMotion(currentStep(guide.state)));
      count = played.sample(reports / deviceHz);
    }
    guide.feed(polled.atS, count);
    t.push(polled.atS);
    raw.push(count);
  }
  return {
    t: Float64Array.from(t),
    runs: guide.state.runs,
    axes: { [spec.axis]: Float64Array.from(raw) },
    device: spec.device,
    ...range,
    rateHz,
  };
}

const evenly = (rateHz: number): Host => ({
  deviceHz: rateHz,
  poll: (i) => ({ readS: i / rateHz, atS: i / rateHz }),
});

export interface SimulatedPedalSpec extends ProgrammeOptions {
  axis: PedalAxis;
  device: string;
  hardware: PedalHardware;
  habits: FootHabits;
  rateHz: number;
  seed: number;
}

/** As {@link simulateGuidedCapture}, for one pedal in its usual programme. */
export function simulateCapture({ hardware, habits, ...spec }: SimulatedPedalSpec): Recording {
  return simulateGuidedCapture({
    ...spec,
    simulated: { kind: 'pedal', hardware, habits },
    steps: programmeFor(spec.axis, spec),
  });
}
