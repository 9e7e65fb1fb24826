import { radps, type EngineSpec } from './drivelineSpec';

/** Below the torque's peak an engine gives at least this share of it. */
const LEAST_TORQUE = 0.5;
/** The idle's throttle: gain over how far it is off its speed, and the most that it opens. */
const IDLE_GAIN = 2;
const MOST_IDLE = 0.6;
/** Below this share of its idle an engine stalls. */
const STALLS = 0.35;
/** The limiter lets go so many rad/s below its speed. */
const CUT_BAND_RADPS = 12;

/** An engine ready to be asked a thousand times a second; torques in N·m at the crankshaft, speeds in rad/s. */
export interface Engine {
  readonly idle: number;
  readonly limit: number;
  readonly stallsAt: number;
  readonly inertia: number;
  /** Torque with the throttle open. */
  torque(omega: number): number;
  /** What the closed throttle takes. */
  drag(omega: number): number;
  /** Indicated torque with the pedal at u, the idle's own throttle included. */
  indicated(omega: number, u: number): number;
  /** The pedal that gives a torque at a speed, 0…1. */
  throttleFor(torque: number, omega: number): number;
}

/**
 * T(ω) = T_p·(1 − k·((ω − ω_T)/(ω_P − ω_T))²) with k = (ω_P − ω_T)/(3ω_P − ω_T): exactly its power at ω_P, and the power's
 * peak is there. Drag c0 + c1·ω.
 */
export function makeEngine(spec: EngineSpec, powerKw: number): Engine {
  const idle = radps(spec.idleRpm);
  const atTorque = radps(spec.torqueRpm);
  const atPower = radps(spec.powerRpm);
  const k = (atPower - atTorque) / (3 * atPower - atTorque);
  const peak = (1000 * powerKw) / (atPower * (1 - k));
  const torque = (omega: number) => {
    const off = (omega - atTorque) / (atPower - atTorque);
    const share = 1 - k * off * off;
    return peak * (omega < atTorque ? Math.max(LEAST_TORQUE, share) : Math.max(0, share));
  };
  const drag = (omega: number) => spec.dragNm + spec.dragNmPerRadps * Math.max(0, omega);
  return {
    idle,
    limit: radps(spec.limitRpm),
    stallsAt: STALLS * idle,
    inertia: spec.inertiaKgM2,
    torque,
    drag,
    indicated(omega, pedal) {
      const gives = torque(omega);
      const takes = drag(omega);
      const holds = takes / (gives + takes) + (IDLE_GAIN * (idle - omega)) / idle;
      const u = Math.max(pedal, Math.min(MOST_IDLE, holds));
      return u * gives - (1 - u) * takes;
    },
    throttleFor(wanted, omega) {
      const takes = drag(omega);
      return Math.min(1, Math.max(0, (wanted + takes) / (torque(omega) + takes)));
    },
  };
}

/** State of a running or a stalled engine. */
export interface EngineState {
  /** rad/s; 0 stalled. */
  omega: number;
  torque: number;
  isCut: boolean;
  /** How long it has stood, s. */
  stoodS: number;
}

export const idling = (omega: number): EngineState => ({ omega, torque: 0, isCut: false, stoodS: 0 });

/** The torque of this step, behind the pedal by the engine's lag; the limiter's cut comes at once. */
export function burn(engine: Engine, state: EngineState, pedal: number, keeps: number): void {
  const { omega } = state;
  if (omega > engine.limit) state.isCut = true;
  else if (omega < engine.limit - CUT_BAND_RADPS) state.isCut = false;
  if (state.isCut) state.torque = -engine.drag(omega);
  else state.torque += (engine.indicated(omega, pedal) - state.torque) * keeps;
}
