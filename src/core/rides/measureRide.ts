import { mean } from '../numeric/moments';
import { splitLaps, type Lap } from './laps';
import { MEASURES, type Measured, type MeasureName, type MeasureSpec } from './measures';
import type { RideColumn, RideLog } from './rideLog';
import { rideSignals } from './rideSignals';

export interface MeasuredLap extends Omit<Lap, 'from' | 'to'> {
  /** All but the time, which is the lap's own. */
  measures: Omit<Measured, 'lapTimeS'>;
}

export interface RideMeasures {
  laps: MeasuredLap[];
  /** Means over the counted laps; `null` where no counted lap could tell. */
  summary: Measured;
  /** Columns that a measure would have needed. */
  missing: RideColumn[];
}

/** Laps are split by their distance; what a measure needs besides is said by the measure. */
const NEEDED: readonly RideColumn[] = ['distance_m', 'throttle', 'brake'];

/** Laps with counted or why not, and what every measure says of each. */
export function measureRide(log: RideLog): RideMeasures {
  const greatestBrake = log.columns.brake?.reduce((a, b) => Math.max(a, b), 0) ?? 0;
  const split = splitLaps(log);
  const signals = rideSignals(
    log,
    split.filter(({ counted }) => counted),
  );
  const laps = split.map(({ from, to, ...lap }): MeasuredLap => {
    const driven = { log, from, to, timeS: lap.timeS, greatestBrake, signals };
    const said = MEASURES.filter(({ name }) => name !== 'lapTimeS').map(({ name, of }) => [name, of(driven)]);
    return { ...lap, measures: Object.fromEntries(said) as MeasuredLap['measures'] };
  });
  const summary = MEASURES.map((measure) => {
    const values = countedValues(laps, measure);
    return [measure.name, values.length > 0 ? mean(values) : null];
  });
  return {
    laps,
    summary: Object.fromEntries(summary) as Measured,
    missing: neededColumns().filter((name) => !log.columns[name]),
  };
}

function neededColumns(): RideColumn[] {
  return [...new Set([...NEEDED, ...MEASURES.flatMap(({ needs }) => needs)])];
}

/** What one measure says of a lap. */
export function lapMeasure(lap: MeasuredLap, name: MeasureName): number | null {
  return name === 'lapTimeS' ? lap.timeS : lap.measures[name];
}

/** The laps that count for a measure, in order of driving. */
export function countedLaps(laps: readonly MeasuredLap[], measure: MeasureSpec): readonly MeasuredLap[] {
  return laps.filter((lap) => lap.counted || (measure.isOfTheRoad === true && lap.why === 'off-track'));
}

/** One measure over the laps that count and could tell it. */
export function countedValues(laps: readonly MeasuredLap[], measure: MeasureSpec): number[] {
  return countedLaps(laps, measure).flatMap((lap) => lapMeasure(lap, measure.name) ?? []);
}
