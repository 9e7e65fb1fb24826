import { simulatedRigById } from '@/catalog/find';
import { footOf } from '@/catalog/drivers';
import type { FootHabits } from '@/core/axes/foot';
import type { PedalAnalysis } from '@/core/axes/pedalAnalysis';
import type { PedalHardware } from '@/core/axes/pedalSensor';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import type { PedalSetup } from '@/core/vehicle/pedalChain';
import type { RidePlan } from '@/core/vehicle/simulateRide';
import type { AxisView } from '../model/axisView';
import type { BookView } from '../model/bookView';
import { trackOf } from './trackOf';

/** Least wander that a foot is given where the capture cannot tell it. */
const LEAST_WANDER = 0.0005;
const P995_SIGMAS = 2.576;
/** The rig whose throttle stands in where the driver's own was never measured. */
const STAND_IN = 'tern';

/**
 * The draw of every ride that the force is judged by. A driver's spread moves what clips: of 16 draws on the demo's Spindrift with the
 * Marl's gain 6 clip for longer than is given away for a livelier rest, this one among them; over six laps each, 3 do.
 */
export const FORCE_SEED = 1;

/**
 * The simulated driver on exactly this combination: the pedals' sensors as captured, their calibration, the settings in
 * force, and a foot that rests and presses as the driver's own did in the capture.
 * @returns `null` where the brake has not been measured
 */
export function ridePlan(view: BookView, laps: number, seed: number): RidePlan | null {
  const { combination, rig } = view;
  const brake = measured(view, 'brake');
  if (!brake) return null;
  const throttle = measured(view, 'throttle');
  const rigId = rig.spec.device.kind === 'simulated' ? rig.spec.device.rig : STAND_IN;
  return {
    car: view.car,
    track: trackOf(view),
    throttle: throttle ? setupOf(throttle) : asMade(simulatedRigById(rigId).pedals.throttle!),
    brake: setupOf(brake),
    foot: footFromCapture(brake.analysis, combination.driver),
    laps,
    seed,
  };
}

/** The same for a question that no pedal decides: what was not measured stands in as it was made. */
export function anyRidePlan(view: BookView, laps: number, seed: number): RidePlan {
  const { driver } = view.combination;
  const standIn = simulatedRigById(STAND_IN).pedals;
  return (
    ridePlan(view, laps, seed) ?? {
      car: view.car,
      track: trackOf(view),
      throttle: asMade(standIn.throttle!),
      brake: asMade(standIn.brake!),
      foot: { ...footOf(driver), restTravel: 0 },
      laps,
      seed,
    }
  );
}

interface MeasuredPedal {
  axis: AxisView;
  analysis: PedalAnalysis;
}

function measured(view: BookView, name: 'throttle' | 'brake'): MeasuredPedal | null {
  const axis = view.axes.find((a) => a.axis === name);
  const analysis = axis?.capture?.analysis;
  return axis && analysis && 'calibration' in analysis ? { axis, analysis } : null;
}

/** A pedal as its capture found it. */
function setupOf({ axis, analysis }: MeasuredPedal): PedalSetup {
  const { centre, calibration, noise, quantum, min, max } = analysis;
  return {
    hardware: {
      released: centre,
      pressed: calibration.pressed,
      sigma: noise,
      quantum: quantum ?? Number.EPSILON,
      rangeMin: Math.min(min, centre),
      rangeMax: Math.max(max, centre),
    },
    calibration,
    layers: axis.layers,
  };
}

/** A pedal that reads what it was made to. */
function asMade(hardware: PedalHardware): PedalSetup {
  const { released, pressed } = hardware;
  return { hardware, calibration: { released, pressed }, layers: [NEUTRAL_LAYER] };
}

/** The foot as the capture measured it; what it could not tell comes from the driver's usual habits. */
function footFromCapture(analysis: PedalAnalysis, driver: string): FootHabits {
  const usual = footOf(driver);
  const cover = analysis.coverTravel;
  return {
    restTravel: cover ? Math.max(0, cover.median) : usual.restTravel,
    restWander: cover ? Math.max(LEAST_WANDER, (cover.p995 - cover.median) / P995_SIGMAS) : usual.restWander,
    pressTravel: Math.min(1, analysis.pressMean ?? usual.pressTravel),
    pressSpread: analysis.pressSd ?? usual.pressSpread,
  };
}
