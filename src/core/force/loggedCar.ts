import { median, quantile } from '../numeric/order';
import { lateralOf } from '../rides/logSignals';
import type { RideLog } from '../rides/rideLog';
import type { SettingValues } from '../settings/setting';
import { chainOf, LEAST_GAIN, type ChainFacts } from './chainOf';
import { corneringFrom } from './judgeForce';

/** A ride that was logged elsewhere with its force, and what it was driven with. */
export interface ForceLog {
  log: RideLog;
  settings: SettingValues;
}

/** The logs that stand in for simulated laps, by the car that drove them. */
export type ForceLogs = ReadonlyMap<string, ForceLog>;

/** What a log says of a car's force at a gain of 1, in shares of full scale; `null` for what it cannot tell. */
export interface LoggedCar {
  /** P99 of |Σ|. */
  peak: number | null;
  /** Median |Σ| in corners. */
  weight: number | null;
  /** Why a figure is missing, and what would open it, as a sentence. */
  lacks: { peak: string | null; weight: string | null };
}

/** At full scale nobody knows how much more was asked for. */
const FULL = 0.995;
/** Standing in a pit says nothing of a car. */
const MOVES_MPS = 5;
const PEAK = 0.99;

/** The gain of the title that a log was driven with; 0 where it had none, whatever stood beside it. */
export function gainThen(facts: ChainFacts, { settings }: Pick<ForceLog, 'settings'>): number {
  const { gain } = chainOf({ ...facts, values: settings }).title;
  return gain > LEAST_GAIN ? gain : 0;
}

/** The force of a car as a log holds it. @returns `null` where it holds none */
export function loggedCar(driven: ForceLog, facts: ChainFacts): LoggedCar | null {
  const { columns } = driven.log;
  const { ffb, speed_mps: speed } = columns;
  const gain = gainThen(facts, driven);
  if (!ffb || !(gain > 0)) return null;
  const moving = (i: number) => !speed || speed[i]! > MOVES_MPS;
  const level = ffb.map(Math.abs);
  const peak = quantileOf(level.filter((_, i) => moving(i)));
  const lateral = lateralOf(columns);
  const corner = lateral && corneringFrom(lateral.filter((_, i) => moving(i)));
  const inCorners = level.filter((_, i) => lateral !== null && moving(i) && Math.abs(lateral[i]!) > corner!);
  const weight = inCorners.length === 0 ? null : median(inCorners);
  const told = (value: number | null) => (value === null || value >= FULL ? null : value / gain);
  return {
    peak: told(peak),
    weight: told(weight),
    lacks: {
      peak: lackOf(peak, 'Its log never moves.'),
      weight:
        lateral === null
          ? 'Its log would need lateral acceleration or yaw rate.'
          : lackOf(weight, 'Its log never corners.'),
    },
  };
}

/** @param nothing what is said where there is no value at all */
function lackOf(value: number | null, nothing: string): string | null {
  if (value === null) return nothing;
  return value >= FULL ? 'Its log is at full scale there: ride it at a lower gain.' : null;
}

const quantileOf = (level: Float64Array) => (level.length === 0 ? null : quantile(level, PEAK));
