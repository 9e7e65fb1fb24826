import type { PedalCalibration } from './calibration';
import type { RoughSpot } from './roughness';
import type { PedalAxis } from './axes';

/** What one capture says about one pedal. Travel is 0…1, released to pressed, whatever way the axis reads. */
export interface PedalAnalysis {
  axis: PedalAxis;
  /** Calibrated ends in raw counts, min < max also when inverted. */
  min: number;
  max: number;
  /** Median raw count at rest. */
  centre: number;
  inverted: boolean;
  calibration: PedalCalibration;
  /** Noise σ at rest and smallest step, raw counts; `null` where the host smooths the axis. */
  noise: number;
  quantum: number | null;
  bits: number | null;
  rateHz: number;
  /** Travel that the axis shows with nothing touching it, never below 0. */
  restTravel: number;
  /** Travel under a resting foot: median and P99.5; `null` without a `cover` phase. */
  coverTravel: { median: number; p995: number } | null;
  takeupTravel: number | null;
  deadzone: number | null;
  deadzoneFrom: 'cover' | 'takeup' | null;
  sweeps: { tS: number; low: number; high: number; full: boolean }[];
  /** Chance that a new full press reaches the calibrated end. */
  endReached: number;
  presses: { tS: number; peak: number; counted: boolean }[];
  pressMean: number | null;
  pressSd: number | null;
  saturation: number | null;
  /** Chances, 0…1, that a press reads 100 % now (no saturation) and at `saturation`. */
  reachNow: number | null;
  reachAfter: number | null;
  roughSpots: RoughSpot[];
  spikes: number;
  dropouts: number;
  driftPerMin: number | null;
  warnings: string[];
}
