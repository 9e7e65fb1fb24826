import type { CarSpec } from '../vehicle/carSpec';
import type { ForceInputs } from './forceInputs';
import { eachEffect, EFFECTS, effectSources, type Effect, type EffectSource } from './effects';
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

/** Everything before the gain. */
type TitleSum = Pick<TitleSignal, 'main' | 'effects' | 'sum'>;

/** The sum over a ride as it was asked for last: a slider of the gain, or of the base, leaves it as it is. */
const lastSums = new WeakMap<ForceInputs, { of: string; found: TitleSum }>();

/** Σ of the tyres and effects; the same object where the same is asked again. */
function titleSum(inputs: ForceInputs, car: CarSpec, settings: TitleForce, seed: number): TitleSum {
  const { trails, understeerCue, effects } = settings;
  const of = JSON.stringify([car, trails, understeerCue, effects, seed]);
  const last = lastSums.get(inputs);
  if (last?.of === of) return last.found;
  const found = sumOver(inputs, car, settings, seed);
  lastSums.set(inputs, { of, found });
  return found;
}

function sumOver(inputs: ForceInputs, car: CarSpec, settings: TitleForce, seed: number): TitleSum {
  const n = inputs.t.length;
  const peak = torquePeakSlip(car);
  // Each has its own noise: leaving one out changes no other.
  const inUse = EFFECTS.filter((name) => settings.effects[name] !== 0);
  const main = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const tyres =
      columnTorque(
        car,
        settings.trails.mechanical * inputs.momentMechanical[i]!,
        settings.trails.pneumatic * inputs.momentPneumatic[i]!,
      ) / car.fullScaleNm;
    main[i] = tyres * understeerFactor(inputs.slipFront[i]!, peak, settings.understeerCue);
  }
  const effects = eachEffect(() => new Float64Array(n));
  const sum = main.slice();
  for (const name of inUse) {
    const [full, gain, out] = [fullEffect(inputs, name, seed), settings.effects[name], effects[name]];
    for (let i = 0; i < n; i++) sum[i]! += out[i] = gain * full[i]!;
  }
  return { main, effects, sum };
}

/** Each effect over a ride as it is at full gain: its own noise hangs on the ride and the seed alone. */
const fullEffects = new WeakMap<ForceInputs, { seed: number; of: Map<Effect, Float64Array> }>();

function fullEffect(inputs: ForceInputs, name: Effect, seed: number): Float64Array {
  let known = fullEffects.get(inputs);
  if (known?.seed !== seed) fullEffects.set(inputs, (known = { seed, of: new Map() }));
  const found = known.of.get(name) ?? overRide(inputs, effectSources(seed)[name]);
  known.of.set(name, found);
  return found;
}

function overRide(inputs: ForceInputs, source: EffectSource): Float64Array {
  const dt = 1 / inputs.rateHz;
  const felt = { speedMps: 0, surface: 0, brake: 0, kappaFront: 0, kappaRear: 0 };
  return Float64Array.from(inputs.speedMps, (speed, i) => {
    felt.speedMps = speed;
    felt.surface = inputs.surface[i]!;
    felt.brake = inputs.brake[i]!;
    felt.kappaFront = inputs.kappaFront[i]!;
    felt.kappaRear = inputs.kappaRear[i]!;
    return source(felt, dt);
  });
}

/** Σ of the tyres and effects, the title's gain, the clip, the minimum force. */
export function titleSignal(
  inputs: ForceInputs,
  car: CarSpec,
  settings: TitleForce,
  seed: number,
): TitleSignal {
  const summed = titleSum(inputs, car, settings, seed);
  const { gain, minForce } = settings;
  const wanted = summed.sum.map((sum) => gain * sum);
  const given = wanted.map((u) => liftSmall(Math.min(1, Math.max(-1, u)), minForce));
  return { ...summed, wanted, given };
}
