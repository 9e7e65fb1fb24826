/** Rim speed over which dry friction comes up, rad/s. */
export const FRICTION_SPEED = 0.1;

export interface RimState {
  /** Hand-wheel angle, rad, left positive. */
  angle: number;
  rate: number;
}

/**
 * One step of motor and rim: J·θ¨ = T − b·θ˙ − F·tanh(θ˙/ω₀). Friction is taken implicitly, linearised about the present
 * speed, so that a stiff one neither chatters nor drives: while dt·F/J stays under 0.55 rad/s, which at 1 kHz is 6.6 N·m on
 * 0.012 kg·m². Beyond that a step may carry it to the other side faster than it came.
 */
export function stepRim(
  rim: RimState,
  torqueNm: number,
  inertiaKgM2: number,
  viscousNms: number,
  frictionNm: number,
  dt: number,
): void {
  const level = Math.tanh(rim.rate / FRICTION_SPEED);
  const stiffness = (frictionNm * (1 - level * level)) / FRICTION_SPEED;
  // Friction at the new speed: F·tanh + stiffness·(new − old).
  const push = torqueNm - frictionNm * level + stiffness * rim.rate;
  rim.rate = (inertiaKgM2 * rim.rate + dt * push) / (inertiaKgM2 + dt * (viscousNms + stiffness));
  rim.angle += rim.rate * dt;
}
