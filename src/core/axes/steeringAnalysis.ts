import type { RoughSpot } from './roughness';
import type { Hold } from './rotation';

/** What one capture says about the steering. Left is positive in every angle. */
export interface SteeringAnalysis {
  axis: 'steering';
  /** Calibrated locks in raw counts, min < max. */
  min: number;
  max: number;
  centre: number;
  /** Left reads below right. */
  inverted: boolean;
  noise: number;
  quantum: number | null;
  bits: number | null;
  rateHz: number;
  /** Lock to lock and its standard uncertainty; `null` without holds at known angles. */
  rotationDeg: number | null;
  rotationSigmaDeg: number | null;
  /** The common rotation that it surely is; `null` where it is none or only probably one. */
  snappedDeg: number | null;
  probablyDeg: number | null;
  centreOffsetDeg: number | null;
  returnHysteresisDeg: number | null;
  degPerStep: number | null;
  holds: Hold[];
  deadzone: null;
  deadzoneFrom: null;
  saturation: null;
  reachNow: null;
  reachAfter: null;
  roughSpots: RoughSpot[];
  spikes: number;
  dropouts: number;
  driftPerMin: number | null;
  warnings: string[];
}
