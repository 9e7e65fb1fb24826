import type { AxisName } from '@/core/axes/axes';
import { countsPerDegree } from '@/core/axes/steeringAngle';
import type { LiveAxes, LivePedal, LiveWheel, PedalName } from '@/core/driving/liveInputs';
import { PEDALS } from '@/core/driving/liveInputs';
import type { LivePlan } from '@/core/driving/liveDrive';
import { matchRotation } from '@/core/rotation/matchRotation';
import type { BookView } from '../model/bookView';
import { anyRidePlan } from './ridePlan';
import { trackOf } from './trackOf';

/** What a device says of its axes. */
type Ranges = Partial<Record<AxisName, { min: number; max: number }>>;

/** The combination as it is driven here: exactly the calibration, response and rotation that are in force. */
export function livePlan(
  view: BookView,
  ranges: Ranges,
  how: { laps: number; isAutomatic: boolean; isStandIn: boolean; seed: number },
): LivePlan {
  const { throttle, brake, foot, seed } = anyRidePlan(view, how.laps, how.seed);
  return {
    car: view.car,
    track: trackOf(view),
    axes: liveAxes(view, ranges),
    isAutomatic: how.isAutomatic,
    laps: how.laps,
    standIn: how.isStandIn ? { throttle, brake, foot, seed } : null,
  };
}

function liveAxes(view: BookView, ranges: Ranges): LiveAxes {
  const pedals: LiveAxes['pedals'] = {};
  for (const name of PEDALS) {
    const pedal = livePedal(view, name, ranges);
    if (pedal) pedals[name] = pedal;
  }
  return { wheel: liveWheel(view, ranges), pedals };
}

/** A pedal that was never measured is driven over all that its device gives. */
function livePedal({ axes }: BookView, name: PedalName, ranges: Ranges): LivePedal | null {
  const axis = axes.find((one) => one.axis === name);
  const range = ranges[name];
  if (!axis || !range) return null;
  const analysis = axis.capture?.analysis;
  return {
    calibration:
      analysis && 'calibration' in analysis
        ? analysis.calibration
        : { released: range.min, pressed: range.max },
    layers: axis.layers,
  };
}

/** A wheel that was never measured turns as far as its base is set to, its middle in the middle. */
function liveWheel({ axes, rotation }: BookView, ranges: Ranges): LiveWheel {
  const axis = axes.find((one) => one.axis === 'steering');
  const analysis = axis?.capture?.analysis;
  const { min, max } = ranges.steering ?? { min: 0, max: 65_535 };
  const measured = analysis?.axis === 'steering' ? analysis : null;
  return {
    centre: measured?.centre ?? (min + max) / 2,
    // Without a measurement a wheel reads less to the left, as most do.
    countsPerDeg: (measured && countsPerDegree(measured)) ?? -(max - min) / rotation.baseDeg,
    gain: matchRotation(rotation).gain,
    lockDeg: rotation.carDeg,
    layers: axis?.layers ?? [],
  };
}
