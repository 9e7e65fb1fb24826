import type { PedalHardware } from '../axes/pedalSensor';
import type { CarSpec } from '../vehicle/carSpec';
import type { RidePlan } from '../vehicle/simulateRide';
import type { TrackSpec } from '../vehicle/track';

/** A light car of nobody's catalogue: what is asked of it may not hang on any title's data. */
export const SMALL_CAR: CarSpec = {
  id: 'small',
  name: 'Small',
  massKg: 700,
  yawInertiaKgM2: 900,
  frontM: 1.1,
  rearM: 1.2,
  heightM: 0.5,
  trackFrontM: 1.3,
  trackRearM: 1.3,
  rollFrontShare: 0.55,
  dragAreaM2: 0.7,
  liftAreaFrontM2: 0,
  liftAreaRearM2: 0,
  mu0: 1.1,
  nominalLoadN: 1700,
  loadSensitivity: 0.08,
  peakSlipFrontDeg: 9,
  peakSlipRearDeg: 8,
  relaxationM: 0.3,
  casterTrailM: 0.016,
  pneumaticTrailM: 0.03,
  steeringRatio: 14,
  lockDeg: 720,
  steeringAssist: 1,
  fullScaleNm: 14,
  wheelRadiusM: 0.28,
  axleInertiaKgM2: 1.4,
  powerKw: 80,
  diffLock: 0.1,
  brakeBias: 0.7,
  fullBrakeN: 6500,
  gripShare: 0.9,
};

const corner = { straightM: 120, radiusM: 30, angleDeg: 90, clothoidM: 12 };

/** Four equal corners: a lap of half a minute. */
export const SMALL_ROAD: TrackSpec = {
  id: 'small-square',
  name: 'Small Square',
  widthM: 9,
  closed: true,
  segments: [corner, { ...corner, kerbM: 0.5 }, corner, { ...corner, bumpy: true }],
};

const hardware: PedalHardware = {
  released: 1000,
  pressed: 60_000,
  sigma: 8,
  quantum: 1,
  rangeMin: 0,
  rangeMax: 65_535,
};
const pedal = { hardware, calibration: { released: 1000, pressed: 60_000 }, layers: [] };

/** One lap of it. */
export const SMALL_PLAN: RidePlan = {
  car: SMALL_CAR,
  track: SMALL_ROAD,
  throttle: pedal,
  brake: pedal,
  foot: { restTravel: 0, restWander: 0.001, pressTravel: 0.95, pressSpread: 0.01 },
  laps: 1,
  seed: 3,
};
