/** Twist of the bristles at which friction lets go, rad. */
const LETS_GO_RAD = 0.002;
/** Break-away over sliding friction, and the speed over which one becomes the other, rad/s (Stribeck). */
const BREAK_AWAY = 1.15;
const STRIBECK_RADPS = 0.05;
/** Damping of the bristles as a share of critical, on the rim's own inertia, while it sticks. */
const BRISTLE_DAMPING = 0.7;
/** The bristles damp only while they hardly slide: a part of a speed that is damped for good is viscous. */
const DAMPED_TO_RADPS = 0.05;

export interface RimState {
  /** Hand-wheel angle, rad, left positive. */
  angle: number;
  rate: number;
  /** Twist of the bristles that dry friction is made of, rad: what holds a rim that is pulled and does not move. */
  twist: number;
}

/** At rest at an angle, rad, held by nothing. */
export const rimAt = (angle: number): RimState => ({ angle, rate: 0, twist: 0 });

interface Bristles {
  /** N·m per rad of twist, and N·m·s/rad. */
  stiffness: number;
  damping: number;
  /** 1/s: how fast the twist is let go at this speed. */
  release: number;
}

function bristlesOf(rate: number, frictionNm: number, inertiaKgM2: number): Bristles {
  const stiffness = frictionNm / LETS_GO_RAD;
  const most = frictionNm * (1 + (BREAK_AWAY - 1) * Math.exp(-((rate / STRIBECK_RADPS) ** 2)));
  const damping =
    2 * BRISTLE_DAMPING * Math.sqrt(stiffness * inertiaKgM2) * Math.exp(-((rate / DAMPED_TO_RADPS) ** 2));
  return { stiffness, damping, release: (stiffness * Math.abs(rate)) / most };
}

/**
 * One step of motor and rim: J·θ¨ = T − b·θ˙ − F. F is dry friction as bristles that bend, hold and slide (Canudas de Wit
 * et al. 1995): z˙ = θ˙ − σ₀|θ˙|/g(θ˙)·z, F = σ₀z + σ₁z˙, with g falling from break-away to sliding friction. Under its
 * friction a rim stands and does not creep. Taken implicitly in the speed, so that stiff bristles neither chatter nor drive.
 */
export function stepRim(
  rim: RimState,
  torqueNm: number,
  inertiaKgM2: number,
  viscousNms: number,
  frictionNm: number,
  dt: number,
): void {
  if (frictionNm <= 0) {
    rim.rate = (inertiaKgM2 * rim.rate + dt * torqueNm) / (inertiaKgM2 + dt * viscousNms);
    rim.angle += rim.rate * dt;
    return;
  }
  const { stiffness, damping, release } = bristlesOf(rim.rate, frictionNm, inertiaKgM2);
  // z⁺ = (z + dt·θ˙⁺)/(1 + dt·release), F⁺ = σ₀z⁺ + σ₁(z⁺ − z)/dt: linear in the new speed.
  const share = 1 / (1 + dt * release);
  const grip = stiffness + damping / dt;
  const push = torqueNm - grip * share * rim.twist + (damping / dt) * rim.twist;
  rim.rate = (inertiaKgM2 * rim.rate + dt * push) / (inertiaKgM2 + dt * (viscousNms + grip * share * dt));
  rim.twist = (rim.twist + dt * rim.rate) * share;
  rim.angle += rim.rate * dt;
}

/** Friction of a rim that is led at a speed, N·m: the hands give it. Carries the twist on by `dt`. */
export function frictionLed(rim: RimState, frictionNm: number, inertiaKgM2: number, dt: number): number {
  if (frictionNm <= 0) return 0;
  const { stiffness, damping, release } = bristlesOf(rim.rate, frictionNm, inertiaKgM2);
  const before = rim.twist;
  rim.twist = (before + dt * rim.rate) / (1 + dt * release);
  return stiffness * rim.twist + (damping * (rim.twist - before)) / dt;
}
