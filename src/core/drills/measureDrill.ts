import { fail, type Outcome } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { holdAngle, initiate } from './angles';
import { brakePeak, threshold, trail } from './brakes';
import { circle } from './circle';
import type { Drill, DrillMeasured, DrillOptions, Measures } from './drill';
import { judgeNext, type Expected, type Judged } from './history';
import { catchSlide, eight } from './slides';
import { launch, slowRoll } from './starts';
import { weave } from './weave';

/** The drills by name, the easiest first. A new one is an entry here, and one in the words. */
export const DRILLS = {
  'slow-roll': slowRoll,
  'brake-peak': brakePeak,
  weave,
  circle,
  threshold,
  trail,
  launch,
  initiate,
  catch: catchSlide,
  eight,
  'hold-angle': holdAngle,
} as const satisfies Record<string, Drill>;
export type DrillName = keyof typeof DRILLS;

/** A drill by its name, whichever it is. */
export const drillOf = (name: DrillName): Drill => DRILLS[name];

export const DRILL_NAMES = Object.keys(DRILLS) as DrillName[];

/** What an attempt of a drill shows; a log that lacks a column that the drill needs is refused by that column's name. */
export function measureDrill(
  name: DrillName,
  log: RideLog,
  options: DrillOptions = {},
): Outcome<DrillMeasured> {
  const drill = drillOf(name);
  const lacking = drill.needs.filter((column) => !log.columns[column]);
  if (lacking.length > 0)
    return fail(
      ...lacking.map((column) => ({
        code: 'no-column',
        message: `The drill ${name} needs the column "${column}".`,
        place: { column },
        remedy: `It takes ${['t_s', ...drill.needs].join(', ')}.`,
      })),
    );
  return drill.measure(log, options);
}

/** What of a drill a log shows. */
export interface DrillShown extends DrillMeasured {
  name: DrillName;
}

/** Every drill that a log holds an attempt of. */
export function drillsIn(log: RideLog, options: DrillOptions = {}): DrillShown[] {
  return DRILL_NAMES.flatMap((name) => {
    const measured = measureDrill(name, log, options);
    return measured.ok ? [{ name, ...measured.value }] : [];
  });
}

/** How the leading measure of an attempt stands against what was expected of it; `null` where one of the two is not known. */
export function judgedBy(name: DrillName, measures: Measures, expected: Expected | null): Judged | null {
  const { leading, better } = drillOf(name);
  const value = measures[leading];
  return expected && typeof value === 'number' ? judgeNext(expected, value, better[leading]!) : null;
}
