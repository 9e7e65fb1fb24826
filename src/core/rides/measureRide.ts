import { mean } from '../numeric/moments';
import { brakeMeasures, NOTHING, type BrakeMeasures } from './brakeMeasures';
import { splitLaps, type Lap } from './laps';
import type { RideColumn, RideLog } from './rideLog';

export interface MeasuredLap extends Omit<Lap, 'from' | 'to'> {
  measures: BrakeMeasures;
}

export interface RideMeasures {
  laps: MeasuredLap[];
  /** Means over the counted laps; `null` where no counted lap could tell. */
  summary: { lapTimeS: number | null } & BrakeMeasures;
  /** Columns that a measure would have needed. */
  missing: RideColumn[];
}

/** A driving measure as it is compared and shown. */
export interface MeasureSpec {
  name: keyof RideMeasures['summary'];
  label: string;
  unit: 's' | 'travel' | 'share';
  read(lap: MeasuredLap): number | null;
}

/** All measures, in the order in which they are shown. A new one is an entry here. */
export const MEASURES: readonly MeasureSpec[] = [
  { name: 'lapTimeS', label: 'Lap time', unit: 's', read: (lap) => lap.timeS },
  { name: 'brakeDrag', label: 'Brake drag', unit: 'share', read: (lap) => lap.measures.brakeDrag },
  { name: 'brakeReach', label: 'Brake reach', unit: 'share', read: (lap) => lap.measures.brakeReach },
  { name: 'brakePeak', label: 'Brake peak', unit: 'travel', read: (lap) => lap.measures.brakePeak },
  {
    name: 'brakeSpread',
    label: 'Spread of full presses',
    unit: 'travel',
    read: (lap) => lap.measures.brakeSpread,
  },
];

const NEEDED: readonly RideColumn[] = ['distance_m', 'throttle', 'brake'];

/** Laps with counted or why not, and the brake measures of each. */
export function measureRide(log: RideLog): RideMeasures {
  const greatest = log.columns.brake?.reduce((a, b) => Math.max(a, b), 0) ?? 0;
  const laps = splitLaps(log).map(({ from, to, ...lap }): MeasuredLap => ({
    ...lap,
    measures: brakeMeasures(log, { from, to }, greatest),
  }));
  const summary = { lapTimeS: null, ...NOTHING } as RideMeasures['summary'];
  for (const measure of MEASURES) {
    const values = countedValues(laps, measure);
    summary[measure.name] = values.length > 0 ? mean(values) : null;
  }
  return { laps, summary, missing: NEEDED.filter((name) => !log.columns[name]) };
}

/** One measure over the counted laps that could tell it. */
export function countedValues(laps: MeasuredLap[], measure: MeasureSpec): number[] {
  return laps.flatMap((lap) => {
    const value = lap.counted ? measure.read(lap) : null;
    return value === null ? [] : [value];
  });
}
