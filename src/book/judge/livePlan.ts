import type { AxisName } from '@/core/axes/axes';
import { countsPerDegree } from '@/core/axes/steeringAngle';
import type { LiveAxes, LivePedal, LiveWheel, PedalName } from '@/core/driving/liveInputs';
import { PEDALS } from '@/core/driving/liveInputs';
import type { LivePlan, LiveSetting } from '@/core/driving/liveDrive';
import { drillStretch } from '@/core/drills/course';
import type { DrillName } from '@/core/drills/measureDrill';
import { BY_ITSELF, type Shifting } from '@/core/driving/shifting';
import type { AssistedWheel } from '@/core/driving/steeringAssist';
import { stretchOf, type Stretch, type StretchKind } from '@/core/driving/stretch';
import { PART_DRILLS, partStretch } from '@/core/driving/testCourse';
import type { PartName } from '@/core/feel/testRun';
import { layTrack } from '@/core/vehicle/track';
import { respond } from '@/core/response/compose';
import { steeredCar } from '@/core/rotation/sensitivity';
import { matchRotation } from '@/core/rotation/matchRotation';
import type { SettingValue } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import { liveLever } from './shiftChoices';
import { anyRidePlan } from './ridePlan';
import { trackOf } from './trackOf';
import { withSettings } from './withSettings';

/** What a device says of its axes. */
type Ranges = Partial<Record<AxisName, { min: number; max: number }>>;

/** What is driven: laps, or a short ride; an attempt of a drill, or a part of a test run. */
type Course =
  | { kind: 'laps'; laps: number }
  | { kind: 'stretch'; stretch: StretchKind }
  | { kind: 'drill'; drill: DrillName }
  | { kind: 'part'; part: PartName };

export interface LiveHow {
  course: Course;
  shifting: Shifting;
  /** A steering that helps a wheel without the car's whole rotation. */
  isAssisted: boolean;
  isStandIn: boolean;
  seed: number;
}

/** The combination as it is driven here: exactly the calibration, response and rotation that are in force. */
export function livePlan(view: BookView, ranges: Ranges, how: LiveHow): LivePlan {
  const track = trackOf(view);
  return {
    ...liveSetting(view, ranges, how),
    car: view.car,
    track,
    shifting: how.shifting,
    laps: lapsOf(how.course),
    stretch: stretchIn(view, how.course),
  };
}

const lapsOf = (course: Course) => (course.kind === 'laps' ? course.laps : 1);

function stretchIn(view: BookView, course: Course): Stretch | null {
  if (course.kind === 'laps') return null;
  const track = layTrack(trackOf(view));
  if (course.kind === 'drill') return drillStretch(course.drill, track);
  if (course.kind === 'part') return partStretch(course.part, track, view.car);
  return stretchOf(track, view.car, course.stretch);
}

/** What a stand-in does otherwise than drive along. */
const actedIn = (course: Course): DrillName | undefined =>
  course.kind === 'drill' ? course.drill : course.kind === 'part' ? PART_DRILLS[course.part] : undefined;

/** What hands and feet go through, of all of it: the one part that changes with the settings. */
export function liveSetting(
  view: BookView,
  ranges: Ranges,
  { course, isStandIn, seed, shifting, isAssisted }: LiveHow,
): LiveSetting {
  const { throttle, brake, foot } = anyRidePlan(view, lapsOf(course), seed);
  return {
    axes: liveAxes(view, ranges, shifting, isAssisted),
    standIn: isStandIn ? { throttle, brake, foot, seed, drill: actedIn(course) } : null,
  };
}

/** Whether a car that is driven here behaves otherwise with other values of some settings: the wheel gets no force from here. */
export const isFeltHere = (
  view: BookView,
  a: Record<string, SettingValue | null>,
  b: Record<string, SettingValue | null>,
): boolean => throughOf(withSettings(view, a)) !== throughOf(withSettings(view, b));

const throughOf = ({ axes, rotation }: BookView) =>
  JSON.stringify([
    axes
      .filter(({ axis }) => FELT.includes(axis))
      .map(({ layers }) => FELT_AT.map((input) => respond(layers, input).toFixed(6))),
    matchRotation(rotation).gain,
    rotation.carDeg,
  ]);

/** Where gears shift by themselves no foot works the clutch. */
const FELT: readonly AxisName[] = ['steering', 'throttle', 'brake', 'handbrake'];
const FELT_AT = Array.from({ length: 41 }, (_, i) => i / 40);

/** Laps, or whatever else it is, with neither gears nor clutch to think of. */
export const PLAINLY = { shifting: BY_ITSELF, isAssisted: false } as const;

function liveAxes(view: BookView, ranges: Ranges, shifting: Shifting, isAssisted: boolean): LiveAxes {
  const pedals: LiveAxes['pedals'] = {};
  for (const name of PEDALS) {
    const pedal = livePedal(view, name, ranges);
    if (pedal) pedals[name] = pedal;
  }
  const { clutch, gears, hold } = shifting;
  const lever = gears === 'lever' ? liveLever(view) : undefined;
  return {
    wheel: { ...liveWheel(view, ranges), ...(isAssisted && { assist: assistFor(view) }) },
    pedals,
    ...(clutch === 'paddles' && { paddles: { mode: view.rig.spec.rim.paddleMode, hold } }),
    ...(lever && { lever }),
  };
}

function assistFor({ car, rotation }: BookView): AssistedWheel {
  const { wheelbaseM, ratio } = steeredCar(car);
  const halfDeg = (rotation.baseDeg * matchRotation(rotation).gain) / 2;
  return { halfDeg, lockDeg: rotation.carDeg / 2, wheelbaseM, ratio };
}

/** A pedal that was never measured is driven over all that its device gives. */
function livePedal({ axes }: BookView, name: PedalName, ranges: Ranges): LivePedal | null {
  const axis = axes.find((one) => one.axis === name);
  const range = ranges[name];
  if (!axis || !range) return null;
  const analysis = axis.capture?.analysis;
  return {
    calibration:
      analysis && 'calibration' in analysis
        ? analysis.calibration
        : { released: range.min, pressed: range.max },
    layers: axis.layers,
  };
}

/** A wheel that was never measured turns as far as its base is set to, its middle in the middle. */
function liveWheel({ axes, rotation }: BookView, ranges: Ranges): LiveWheel {
  const axis = axes.find((one) => one.axis === 'steering');
  const analysis = axis?.capture?.analysis;
  const { min, max } = ranges.steering ?? { min: 0, max: 65_535 };
  const measured = analysis?.axis === 'steering' ? analysis : null;
  return {
    centre: measured?.centre ?? (min + max) / 2,
    // Without a measurement a wheel reads less to the left, as most do.
    countsPerDeg: (measured && countsPerDegree(measured)) ?? -(max - min) / rotation.baseDeg,
    gain: matchRotation(rotation).gain,
    lockDeg: rotation.carDeg,
    layers: axis?.layers ?? [],
  };
}
