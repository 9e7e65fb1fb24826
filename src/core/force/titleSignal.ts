import type { CarSpec } from '../vehicle/carSpec';
import type { ForceInputs } from './forceInputs';
import { eachEffect, EFFECTS, effectSources, type Effect } from './effects';
import { type TitleForce } from './forceSettings';
import { liftSmall } from './minimumForce';
import { torquePeakSlip } from './torquePeak';
import { understeerFactor } from './understeerCue';

/** Column torque from both front tyres' moments, N·m at the hand wheel. */
export function columnTorque(car: CarSpec, mechanical: number, pneumatic: number): number {
  return (mechanical + pneumatic) / (car.steeringRatio * car.steeringAssist);
}

/** The title's force over a ride, in units of full scale, one value per update. */
export interface TitleSignal {
  /** The tyres' part after the understeer cue, and each effect at its gain, before the title's gain. */
  main: Float64Array;
  effects: Record<Effect, Float64Array>;
  /** Σ of both. */
  sum: Float64Array;
  /** gain·Σ, before the clip. */
  wanted: Float64Array;
  /** What leaves the title: clipped, small forces lifted. */
  given: Float64Array;
}

/** Σ of the tyres and effects, the title's gain, the clip, the minimum force. */
export function titleSignal(
  inputs: ForceInputs,
  car: CarSpec,
  settings: TitleForce,
  seed: number,
): TitleSignal {
  const n = inputs.t.length;
  const dt = 1 / inputs.rateHz;
  const peak = torquePeakSlip(car);
  const sources = effectSources(seed);
  // Each has its own noise: leaving one out changes no other.
  const inUse = EFFECTS.filter((name) => settings.effects[name] !== 0);
  const main = new Float64Array(n);
  const effects = eachEffect(() => new Float64Array(n));
  const total = new Float64Array(n);
  const wanted = new Float64Array(n);
  const given = new Float64Array(n);
  const felt = { speedMps: 0, surface: 0, brake: 0, kappaFront: 0, kappaRear: 0 };
  for (let i = 0; i < n; i++) {
    felt.speedMps = inputs.speedMps[i]!;
    felt.surface = inputs.surface[i]!;
    felt.brake = inputs.brake[i]!;
    felt.kappaFront = inputs.kappaFront[i]!;
    felt.kappaRear = inputs.kappaRear[i]!;
    const tyres =
      columnTorque(
        car,
        settings.trails.mechanical * inputs.momentMechanical[i]!,
        settings.trails.pneumatic * inputs.momentPneumatic[i]!,
      ) / car.fullScaleNm;
    main[i] = tyres * understeerFactor(inputs.slipFront[i]!, peak, settings.understeerCue);
    let sum = main[i]!;
    for (const name of inUse) {
      const force = settings.effects[name] * sources[name](felt, dt);
      effects[name][i] = force;
      sum += force;
    }
    total[i] = sum;
    wanted[i] = settings.gain * sum;
    given[i] = liftSmall(Math.min(1, Math.max(-1, wanted[i]!)), settings.minForce);
  }
  return { main, effects, sum: total, wanted, given };
}
