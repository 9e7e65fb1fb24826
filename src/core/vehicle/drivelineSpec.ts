/** What turns the wheels, from the crankshaft on. SI units, engine speeds in rpm. */
export interface EngineSpec {
  idleRpm: number;
  /** Speeds of the greatest torque and of the greatest power, and where the fuel is cut. */
  torqueRpm: number;
  powerRpm: number;
  limitRpm: number;
  inertiaKgM2: number;
  /** Drag of the closed throttle: c0 + c1·ω. */
  dragNm: number;
  dragNmPerRadps: number;
  /** Lag of its torque behind the pedal. */
  lagS: number;
}

export interface GearsSpec {
  /** From the first gear up. */
  ratios: readonly number[];
  final: number;
  /** How long a shift interrupts the torque. */
  shiftS: number;
}

export interface ClutchSpec {
  /** What it carries let go entirely. */
  torqueNm: number;
  /** Pedal travel (1 pressed) at which it begins to drag, and under which it carries all. */
  bite: number;
  full: number;
}

export interface DifferentialSpec {
  /** Torque across it per torque through it, and what it holds without any. */
  share: number;
  preloadNm: number;
}

export interface DriveSpec {
  /** Share of the torque that goes to the front axle. */
  frontShare: number;
}

/** All of it: a car has every part or none. */
export interface DrivelineSpec {
  engine: EngineSpec;
  gears: GearsSpec;
  clutch: ClutchSpec;
  differential: DifferentialSpec;
  drive: DriveSpec;
}

export const DRIVELINE_PARTS = ['engine', 'gears', 'clutch', 'differential', 'drive'] as const;

/** The driveline of a car; `null` for one that knows only its power. */
export function drivelineOf(car: Partial<DrivelineSpec>): DrivelineSpec | null {
  const { engine, gears, clutch, differential, drive } = car;
  return engine && gears && clutch && differential && drive
    ? { engine, gears, clutch, differential, drive }
    : null;
}

/** Angular speed of a rotational speed, rad/s. */
export const radps = (rpm: number): number => (rpm * Math.PI) / 30;
export const rpmOf = (omega: number): number => (omega * 30) / Math.PI;

/** Engine speed per wheel speed in a gear: 1 is the first, −1 back, 0 neutral. Back is geared like the first. */
export function gearing({ ratios, final }: GearsSpec, gear: number): number {
  if (gear === 0) return 0;
  return gear < 0 ? -ratios[0]! * final : ratios[Math.min(gear, ratios.length) - 1]! * final;
}
