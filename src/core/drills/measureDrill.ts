import { fail, type Outcome } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { holdAngle, initiate } from './angles';
import { brakePeak, threshold, trail } from './brakes';
import { circle } from './circle';
import type { Drill, DrillMeasured, DrillOptions } from './drill';
import { catchSlide, eight } from './slides';
import { launch, slowRoll } from './starts';
import { weave } from './weave';

/** The drills by name. A new one is an entry here, and one in the words. */
export const DRILLS = {
  circle,
  'brake-peak': brakePeak,
  threshold,
  trail,
  launch,
  initiate,
  catch: catchSlide,
  eight,
  'hold-angle': holdAngle,
  weave,
  'slow-roll': slowRoll,
} as const satisfies Record<string, Drill>;
export type DrillName = keyof typeof DRILLS;

export const DRILL_NAMES = Object.keys(DRILLS) as DrillName[];

/** What an attempt of a drill shows; a log that lacks a column that the drill needs is refused by that column's name. */
export function measureDrill(
  name: DrillName,
  log: RideLog,
  options: DrillOptions = {},
): Outcome<DrillMeasured> {
  const drill: Drill = DRILLS[name];
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
