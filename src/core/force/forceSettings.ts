import { eachEffect, type Effect } from './effects';

/** The title's part of the chain, canonical: gains are factors, shares 0…1. */
export interface TitleForce {
  /** Rate at which the title gives a new force, Hz; held in between. */
  rateHz: number;
  /** Title gain times the car's. */
  gain: number;
  minForce: number;
  /** What the title makes of the car's trails, mechanical and pneumatic, its self-alignment included; 1 is as they are. */
  trails: { mechanical: number; pneumatic: number };
  /** How much the understeer cue takes away, 0…1. */
  understeerCue: number;
  effects: Record<Effect, number>;
  /** Effects that the title's own gain does not scale: what stands in `effects` is already divided by the gain. */
  unscaledByGain?: readonly Effect[];
  /** Damper and spring as the title asks for them; they act through the base's channels alone. */
  damper: number;
  spring: number;
}

/** Middle frequencies of the base's equaliser, Hz. */
export const BAND_HZ = [6, 12, 24, 48, 96] as const;

/** The base's part of the chain, in physical units. */
export interface BaseForce {
  /** Share of the rated torque at full signal, 0…1. */
  strength: number;
  /** Torque that is never passed, N·m. */
  torqueLimitNm: number;
  /** Linear ramp over so many of the title's samples; 1 holds. */
  interpolation: number;
  /** Corner of a low-pass behind it, Hz; `null` for none. */
  smoothHz: number | null;
  /** Gain of each band, 1 leaves it. */
  bands: number[];
  /** Share of the title's damper and spring that is let through, 0…1. */
  damperChannel: number;
  springChannel: number;
  /** The base's own damper N·m·s/rad, how much more of it at speed (per 40 m/s), friction N·m, inertia kg·m², spring N·m/rad. */
  damperNms: number;
  speedDamping: number;
  frictionNm: number;
  inertiaKgM2: number;
  springNmPerRad: number;
  /** Greatest change of torque, N·m/s; `null` for none. */
  slewNmPerS: number | null;
  /** Hands-off protection: torque fades where the rim turns by itself. */
  protects: boolean;
}

/** What a base is made of. */
export interface BaseHardware {
  ratedNm: number;
  /** Dry friction of motor and drive, N·m. */
  frictionNm: number;
  delayS: number;
  /** Motor and rim, kg·m². */
  inertiaKgM2: number;
  /** Viscous drag of bearings, N·m·s/rad. */
  viscousNms: number;
  /** Speed at which the motor drives no more, rad/s; `null` for none. */
  topRadps: number | null;
  /** Rotation that it is set to, lock to lock, degrees. */
  rotationDeg: number;
}

/** What a title's damper and spring ask of a base at 100 % through an open channel. */
export const TITLE_DAMPER_NMS = 0.3;
export const TITLE_SPRING_NM_PER_RAD = 1.5;

export const PLAIN_TITLE: Omit<TitleForce, 'rateHz'> = {
  gain: 1,
  minForce: 0,
  trails: { mechanical: 1, pneumatic: 1 },
  understeerCue: 0,
  effects: eachEffect(() => 0),
  damper: 0,
  spring: 0,
};

export function plainBase(ratedNm: number): BaseForce {
  return {
    strength: 1,
    torqueLimitNm: ratedNm,
    interpolation: 1,
    smoothHz: null,
    bands: BAND_HZ.map(() => 1),
    damperChannel: 1,
    springChannel: 1,
    damperNms: 0,
    speedDamping: 0,
    frictionNm: 0,
    inertiaKgM2: 0,
    springNmPerRad: 0,
    slewNmPerS: null,
    protects: false,
  };
}
