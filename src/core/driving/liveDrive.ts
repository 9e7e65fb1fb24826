import type { ForceRecorder } from '../force/forceInputs';
import type { RideColumn, RideLog } from '../rides/rideLog';
import { DRIVEN } from '../rides/road';
import type { CarSpec } from '../vehicle/carSpec';
import { rpmOf } from '../vehicle/drivelineSpec';
import { rideOnRoad, surfaceOf } from '../vehicle/rideOnRoad';
import { layTrack, trackIndex, type TrackSpec } from '../vehicle/track';
import { makeTransmission, type Transmission } from '../vehicle/transmission';
import { HANDS_OFF, makeTwoTrack, type Controls } from '../vehicle/twoTrack';
import { standInOn, STEP_S, type StandInSpec } from './standIn';
import type { Stretch } from './stretch';
import { type Shifting } from './shifting';
import { feetOff, heard, NO_INPUT, type LiveAxes, type RawAxes } from './liveInputs';

/** What hands and feet go through: it can be exchanged while it is driven. */
export interface LiveSetting {
  axes: LiveAxes;
  /** A driver that stands in: hands and feet of a simulated rig. */
  standIn: StandInSpec | null;
}

export interface LivePlan extends LiveSetting {
  car: CarSpec;
  track: TrackSpec;
  shifting: Shifting;
  /** Laps after which the ride is over; a closed road has a run-up before. */
  laps: number;
  /** Where it is a short ride instead: from there, for so long. */
  stretch: Stretch | null;
}

/** Why nothing moves. */
export type Stop = 'gone' | 'hidden' | 'asked';
/** `waiting`: it goes on as soon as the feet are seen off the pedals. */
export type LiveState = 'waiting' | 'driving' | 'stopped' | 'over';

/** What is drawn of one moment. Angles in rad, left positive. */
export interface LiveFrame {
  state: LiveState;
  why: Stop | null;
  /** Simulated time, s. */
  t: number;
  x: number;
  y: number;
  z: number;
  heading: number;
  grade: number;
  speedMps: number;
  yawRate: number;
  /** The way that the car goes against its nose. */
  drift: number;
  hand: number;
  throttle: number;
  brake: number;
  clutch: number;
  handbrake: number;
  gear: number;
  rpm: number;
  /** Greatest slip of a rear and of a front tyre along itself, and the surface under the car. */
  spin: number;
  lock: number;
  surface: number;
  distanceM: number;
  offsetM: number;
  lap: number;
  lapS: number;
  lastLapS: number | null;
  /** Share of the time that could not be simulated in time. */
  slowShare: number;
  /** When the newest input that it holds was read, ms of the page's clock. */
  inputAt: number;
  /** It came to its planned end: all its laps, or all its seconds. */
  isWhole: boolean;
}

/** At most so many steps a tick: what is owed beyond is dropped, and counted. */
const MOST_STEPS = 50;
/** A closed road is come to over so much of it. */
const RUN_UP_M = 120;
const MOST_RUN_UP = 0.3;
const RUN_OFF_M = 60;
const ROLLING_MPS = 12;
/** Held over this while standing: back to the road after the first time, the end after the second. */
const HELD = 0.8;
const STANDS_MPS = 0.5;
const BACK_S = 1.5;
const END_S = 4;
/** Further off the road than this the ride has lost it. */
const LOST_M = 60;
const SLOW_OVER_S = 2;

/** A ride in real time. It is asked to tick; what it is told between two ticks holds until it is told otherwise. */
export interface LiveDrive {
  hear(raw: RawAxes, atMs: number): void;
  shift(by: 1 | -1): void;
  /** Puts the car back on the road where it is. */
  back(): void;
  stop(why: Stop): void;
  /** Goes on once the feet are off the pedals, if it was this that it stopped for: a plug that comes back undoes no other stop. */
  goOn(after: Stop): void;
  end(): void;
  /** Drives on through something else; what was logged until then is given, and a new log begins. */
  exchange(setting: LiveSetting, force?: ForceRecorder): RideLog;
  /** @param nowMs of one clock that does not jump */
  tick(nowMs: number): LiveFrame;
  /** Rows of its log from a number on: what is put aside while it is driven. */
  rows(from: number): Partial<Record<RideColumn, Float64Array>>;
  /** What was driven so far. */
  log(): RideLog;
}

/** What the log of such a ride says of itself. */
export const notesOf = ({
  standIn,
  car,
  track,
}: Pick<LivePlan, 'standIn' | 'car' | 'track'>): RideLog['notes'] => ({
  source: standIn ? 'simulated' : DRIVEN,
  car: car.id,
  track: track.id,
});

export function liveDrive(plan: LivePlan, force?: ForceRecorder): LiveDrive {
  const { car, laps, stretch } = plan;
  let { axes, standIn } = plan;
  const track = layTrack(plan.track);
  const { closed } = plan.track;
  const body = makeTwoTrack(car);
  const road = rideOnRoad(car, track, { force, isDetailed: true, stepS: STEP_S });
  const controls: Controls = { ...HANDS_OFF };
  const runUp = closed ? Math.min(RUN_UP_M, MOST_RUN_UP * track.lengthM) : 0;
  const lapM = closed ? track.lengthM : track.lengthM - RUN_OFF_M;
  const takesOver = () => standIn && standInOn(standIn, car, body, track);
  let driver = takesOver();
  const speed = stretch ? stretch.speedMps : standIn ? ROLLING_MPS : 0;
  let input = NO_INPUT;
  const isAutomatic = () => plan.shifting.gears === 'self' || standIn !== null;
  const hasGates = () => !isAutomatic() && axes.lever?.isSequential === false;
  /** Who has to work the clutch stands in neutral, or in what the lever says: in gear the engine would stall at once. */
  const inNeutral = (made: Transmission | null) => {
    if (!isAutomatic() && plan.shifting.clutch !== 'self' && speed === 0)
      made?.gearbox.ask(hasGates() ? (input.lever ?? 0) : 0);
    return made;
  };
  const outfit = () =>
    inNeutral(
      makeTransmission(car, speed, {
        isAutomatic: isAutomatic(),
        // Who lets the gears shift by themselves has the clutch worked as well.
        clutch: isAutomatic() ? 'self' : plan.shifting.clutch,
      }),
    );
  let transmission = outfit();
  if (stretch) road.setOut(stretch.fromM, speed, 1);
  else road.setOut(closed ? track.lengthM - runUp : 0, speed, closed ? 0 : 1);

  let state: LiveState = 'waiting';
  let why: Stop | null = null;
  let hasHeard = standIn !== null;
  let inputAt = 0;
  let last: number | null = null;
  let owed = 0;
  let slow = 0;
  let heldS = 0;
  let isBackDone = false;
  let lap = road.lap;
  let lapBegan = 0;
  let lastLapS: number | null = null;
  let isWhole = false;
  const whole = () => {
    isWhole = true;
    state = 'over';
  };

  /** What the hand does with the lever. */
  const moved = (before: number | null) => {
    const { lever } = input;
    if (!transmission || !axes.lever || lever === null || isAutomatic()) return;
    const { gearbox } = transmission;
    if (!axes.lever.isSequential) gearbox.ask(lever);
    else if (lever !== before && lever !== 0 && before !== null) gearbox.ask(gearbox.wanted + lever);
  };
  const onRoad = (distanceM: number, asLap: number) => {
    road.setOut(distanceM, 0, asLap);
    transmission = outfit();
  };
  const held = () => {
    const isHeld = Math.abs(road.state.vx) < STANDS_MPS && input.brake > HELD;
    heldS = isHeld ? heldS + STEP_S : 0;
    if (!isHeld) isBackDone = false;
    if (heldS > END_S) state = 'over';
    else if (heldS > BACK_S && !isBackDone && Math.abs(road.place.offsetM) > track.spec.widthM / 4) {
      isBackDone = true;
      onRoad(road.place.distanceM, road.lap);
    }
  };
  const newLap = () => {
    if (road.lap > lap && lap > 0) lastLapS = road.t - lapBegan;
    if (road.lap !== lap) lapBegan = road.t;
    lap = road.lap;
    if (!stretch && lap > laps) whole();
  };
  const step = () => {
    if (!closed && road.place.distanceM >= lapM) {
      lastLapS = road.t - lapBegan;
      if (stretch || road.lap >= laps) return whole();
      // An open road is driven again from its start.
      driver = takesOver();
      road.setOut(0, speed, road.lap + 1);
      transmission = outfit();
    }
    const hand = driver
      ? driver.step(road.t, STEP_S, road.state, road.place, controls)
      : Object.assign(controls, {
          steer: input.hand / car.steeringRatio,
          throttle: input.throttle,
          brake: input.brake,
          clutch: input.clutch,
          handbrake: input.handbrake,
        }) && input.hand;
    transmission?.step(road.state, controls, STEP_S);
    road.step(body, controls, hand);
    turned = hand;
    newLap();
    if (stretch && road.t >= stretch.seconds) whole();
    if (!driver) held();
    if (Math.abs(road.place.offsetM) > LOST_M) onRoad(road.place.distanceM, road.lap);
  };
  let turned = 0;
  const finished = () => road.finish(notesOf(plan));

  return {
    hear(raw, atMs) {
      if (state === 'stopped' || state === 'over') return;
      const { lever } = input;
      input = heard(axes, raw, input, road.state.vx);
      moved(lever);
      hasHeard = true;
      inputAt = atMs;
    },
    shift(by) {
      // A gate says by itself which gear is in: nothing else may say otherwise.
      if (!transmission || state !== 'driving' || hasGates()) return;
      transmission.gearbox.ask(transmission.gearbox.wanted + by);
    },
    back() {
      if (state === 'driving') onRoad(road.place.distanceM, road.lap);
    },
    stop(reason) {
      if (state === 'over') return;
      // Who asked for it is asked: what else stops it meanwhile does not start it again.
      if (state !== 'stopped' || why !== 'asked') why = reason;
      state = 'stopped';
      // Nothing is held on to: feet off, clutch in.
      input = { ...NO_INPUT, clutch: 1, lever: input.lever };
      last = null;
    },
    goOn(after) {
      if (state !== 'stopped' || why !== after) return;
      [state, why] = ['waiting', null];
      input = { ...NO_INPUT, lever: input.lever };
      hasHeard = standIn !== null;
      last = null;
    },
    end() {
      state = 'over';
    },
    exchange(setting, next) {
      const log = finished();
      ({ axes, standIn } = setting);
      if (standIn) driver?.exchange(standIn);
      road.anew(next);
      return log;
    },
    tick(nowMs) {
      if (state === 'waiting' && hasHeard && feetOff(input)) {
        state = 'driving';
        last = nowMs;
      }
      const passed = last === null ? 0 : Math.max(0, nowMs - last) / 1000;
      last = state === 'driving' ? nowMs : null;
      if (state === 'driving') {
        owed += passed / STEP_S;
        const due = Math.floor(owed);
        const steps = Math.min(MOST_STEPS, due);
        owed -= due;
        for (let i = 0; i < steps && (state as LiveState) === 'driving'; i++) step();
        const dropped = due > 0 ? (due - steps) / due : 0;
        slow += (dropped - slow) * Math.min(1, passed / SLOW_OVER_S);
      }
      const { state: s, place } = road;
      const k = trackIndex(track, place.distanceM);
      return {
        state,
        why,
        t: road.t,
        x: s.x,
        y: s.y,
        z: track.z[k]!,
        heading: s.heading,
        grade: s.grade,
        speedMps: s.vx,
        yawRate: s.yawRate,
        drift: Math.abs(s.vx) > 1 ? Math.atan2(s.vy, Math.abs(s.vx)) : 0,
        hand: turned,
        throttle: controls.throttle,
        brake: controls.brake,
        clutch: controls.clutch,
        handbrake: controls.handbrake,
        gear: transmission?.gearbox.wanted ?? 0,
        rpm: rpmOf(s.engine.omega),
        spin: Math.max(s.kappa[2]!, s.kappa[3]!),
        lock: Math.min(s.kappa[0]!, s.kappa[1]!),
        surface: surfaceOf(track, place, car.trackFrontM / 2),
        distanceM: place.distanceM,
        offsetM: place.offsetM,
        lap: road.lap,
        lapS: road.t - lapBegan,
        lastLapS,
        slowShare: slow,
        inputAt,
        isWhole,
      };
    },
    rows: (from) => road.rows(from),
    log: finished,
  };
}
