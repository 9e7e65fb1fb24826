import { seededRandom } from '../numeric/random';
import { SURFACES } from '../rides/rideLog';

/** What the effects feel of the road and the car at one moment. */
interface EffectInput {
  speedMps: number;
  /** Number of {@link SURFACES}. */
  surface: number;
  brake: number;
  /** Longitudinal slip of the fronts (negative when locking) and of the rears (positive when spinning). */
  kappaFront: number;
  kappaRear: number;
}

/** One effect's force now, in units of full scale at a gain of 1. */
export type EffectSource = (input: EffectInput, dt: number) => number;

const [ROAD, KERB, BUMP, OFF] = SURFACES.map((_, i) => i) as [number, number, number, number];

/**
 * Roughness after ISO 8608: displacement PSD G(n) = G0·(n/n0)⁻² with n0 = 0.1 /m; at speed v its rate of change is white,
 * 2π·n0·√(G0·v) per √Hz. Classes A (smooth asphalt) and C (patched, bumpy), m³.
 */
const REFERENCE_WAVE = 0.1;
const CLASS_A = 16e-6;
const CLASS_C = 256e-6;
/** Share of full scale per m/s of the road's rate of change. */
const ROAD_LEVEL = 0.12;
/** The suspension passes on what is slower than this, Hz. */
const WHEEL_HOP_HZ = 14;

/** What a first-order follower keeps of itself over a step; steps are mostly alike. */
function keepsOf(hz: number): (dt: number) => number {
  let lastDt = NaN;
  let keep = 0;
  return (dt) => {
    if (dt !== lastDt) {
      lastDt = dt;
      keep = Math.exp(-2 * Math.PI * hz * dt);
    }
    return keep;
  };
}

function road(seed: number): EffectSource {
  const random = seededRandom(seed);
  const value = new Float64Array(1);
  const keeps = keepsOf(WHEEL_HOP_HZ);
  return ({ speedMps, surface }, dt) => {
    const rough = surface === BUMP ? CLASS_C : CLASS_A;
    const rate = 2 * Math.PI * REFERENCE_WAVE * Math.sqrt(rough * Math.abs(speedMps));
    const keep = keeps(dt);
    // White noise through a first-order follower, exact for any step: its variance is rate²·π·f.
    const sigma = rate * Math.sqrt(Math.PI * WHEEL_HOP_HZ * (1 - keep * keep));
    value[0] = value[0]! * keep + sigma * random.normal();
    return surface === ROAD || surface === BUMP ? ROAD_LEVEL * value[0] : 0;
  };
}

/** A kerb is a strip of teeth: v/pitch times a second, and this much of full scale. */
const KERB_PITCH_M = 0.5;
export const KERB_LEVEL = 0.35;

function kerb(): EffectSource {
  let along = 0;
  return ({ speedMps, surface }, dt) => {
    if (surface !== KERB) return 0;
    along += speedMps * dt;
    return KERB_LEVEL * Math.sin((2 * Math.PI * along) / KERB_PITCH_M);
  };
}

/** Grass: noise between 5 and 30 Hz. */
const OFF_LEVEL = 0.25;
const OFF_LOW_HZ = 5;
const OFF_HIGH_HZ = 30;
const OFF_FULL_MPS = 10;

function offtrack(seed: number): EffectSource {
  const random = seededRandom(seed);
  // Fast, and slow.
  const value = new Float64Array(2);
  const [keepsUp, keepsDown] = [keepsOf(OFF_HIGH_HZ), keepsOf(OFF_LOW_HZ)];
  return ({ speedMps, surface }, dt) => {
    const up = keepsUp(dt);
    const down = keepsDown(dt);
    value[0] = value[0]! * up + Math.sqrt(1 - up * up) * random.normal();
    value[1] = value[1]! * down + (1 - down) * value[0];
    return surface === OFF ? OFF_LEVEL * Math.min(1, speedMps / OFF_FULL_MPS) * (value[0] - value[1]) : 0;
  };
}

/** A tyre past this slip scrubs: a hum that grows with the slip beyond. */
const SLIP_FROM = 0.2;
const SLIP_HZ = 28;
const SLIP_LEVEL = 0.2;

function slip(): EffectSource {
  let phase = 0;
  return ({ kappaFront, kappaRear, speedMps }, dt) => {
    phase += 2 * Math.PI * SLIP_HZ * dt;
    const most = Math.max(-kappaFront, kappaRear);
    return most > SLIP_FROM && speedMps > 1
      ? SLIP_LEVEL * Math.min(1, (most - SLIP_FROM) / SLIP_FROM) * Math.sin(phase)
      : 0;
  };
}

/** Anti-lock brakes pulse at this rate while the fronts are near locking under a hard brake. */
const ABS_HZ = 13;
const ABS_LEVEL = 0.15;
const ABS_FROM = 0.1;

function abs(): EffectSource {
  let phase = 0;
  return ({ kappaFront, brake }, dt) => {
    phase += 2 * Math.PI * ABS_HZ * dt;
    return brake > 0.5 && kappaFront < -ABS_FROM ? ABS_LEVEL * Math.sign(Math.sin(phase)) : 0;
  };
}

/** A hit: half a sine of this length, at the moment a surface of another height is met. */
const IMPACT_S = 0.03;
const IMPACT_LEVEL = 0.6;
const IMPACT_FULL_MPS = 40;

function impact(): EffectSource {
  let left = 0;
  let before = ROAD;
  return ({ surface, speedMps }, dt) => {
    if ((surface === KERB || surface === OFF) && before !== KERB && before !== OFF) left = IMPACT_S;
    before = surface;
    if (left <= 0) return 0;
    const share = Math.min(1, speedMps / IMPACT_FULL_MPS);
    const now = IMPACT_LEVEL * share * Math.sin((Math.PI * left) / IMPACT_S);
    left -= dt;
    return now;
  };
}

/**
 * Effects that a title adds to the force of the tyres, each with a gain of its own. A new one is an entry here, at the
 * end: the seed of each goes by its place.
 */
const SOURCES = { road, kerb, offtrack, slip, abs, impact } satisfies Record<
  string,
  (seed: number) => EffectSource
>;

export type Effect = keyof typeof SOURCES;
export const EFFECTS = Object.keys(SOURCES) as Effect[];

/** The same of every effect. */
export function eachEffect<T>(of: (effect: Effect) => T): Record<Effect, T> {
  return Object.fromEntries(EFFECTS.map((effect) => [effect, of(effect)])) as Record<Effect, T>;
}

/** Every effect, started afresh; the same seed gives the same bits. */
export function effectSources(seed: number): Record<Effect, EffectSource> {
  return eachEffect((name) => SOURCES[name](seed * 31 + EFFECTS.indexOf(name)));
}
