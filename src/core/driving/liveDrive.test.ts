import { carById, trackById } from '@/catalog/find';
import { NEUTRAL_LAYER } from '../response/layer';
import { measureRide } from '../rides/measureRide';
import { forceRecorder } from '../force/forceInputs';
import { liveDrive, type LivePlan } from './liveDrive';
import { heard, NO_INPUT, type LiveAxes } from './liveInputs';

const pedal = { calibration: { released: 1000, pressed: 61_000 }, layers: [NEUTRAL_LAYER] };
const AXES: LiveAxes = {
  wheel: { centre: 32_768, countsPerDeg: -36, gain: 1, lockDeg: 900, layers: [NEUTRAL_LAYER] },
  pedals: { throttle: pedal, brake: pedal },
};
const plan = (over: Partial<LivePlan> = {}): LivePlan => ({
  car: carById('marl-850'),
  track: trackById('quarry-pan'),
  axes: AXES,
  isAutomatic: true,
  laps: 1,
  standIn: null,
  stretch: null,
  ...over,
});
const raw = (throttle: number, brake = 0, deg = 0) => ({
  steering: 32_768 - 36 * deg,
  throttle: 1000 + 60_000 * throttle,
  brake: 1000 + 60_000 * brake,
});

/** Ticks of a clock, every so many ms, from where it stands. */
function clock(everyMs = 4) {
  let now = 1000;
  return {
    run(drive: ReturnType<typeof liveDrive>, seconds: number) {
      let frame = drive.tick(now);
      for (let s = 0; s < seconds * 1000; s += everyMs) frame = drive.tick((now += everyMs));
      return frame;
    },
    skip: (ms: number) => (now += ms),
  };
}

it('what the car hears is the calibration and the response under test', () => {
  const axes: LiveAxes = {
    wheel: { ...AXES.wheel, gain: 0.5 },
    pedals: { throttle: { ...pedal, layers: [{ ...NEUTRAL_LAYER, deadzone: 0.2, saturation: 0.8 }] } },
  };
  const at = heard(axes, raw(0.5, 0.9, 90), NO_INPUT);
  expect(at.throttle).toBeCloseTo(0.5, 9);
  expect((at.hand * 180) / Math.PI).toBeCloseTo(45, 6);
  // The rig has no brake here; and what is no number changes nothing.
  expect(at.brake).toBe(0);
  expect(heard(axes, { throttle: NaN, steering: Infinity }, at)).toEqual(at);
});

it('it waits for feet that are off, then the foot drives it, and the rim turns it', () => {
  const drive = liveDrive(plan());
  const time = clock();
  drive.hear(raw(0.8), 5);
  expect(time.run(drive, 0.5)).toMatchObject({ state: 'waiting', speedMps: 0 });
  drive.hear(raw(0), 6);
  expect(time.run(drive, 0.1).state).toBe('driving');
  drive.hear(raw(1), 7);
  const straight = time.run(drive, 4);
  expect(straight.speedMps).toBeGreaterThan(10);
  expect(straight.gear).toBeGreaterThanOrEqual(1);
  expect(Math.abs(straight.offsetM)).toBeLessThan(0.2);
  expect(straight.inputAt).toBe(7);
  drive.hear(raw(0.3, 0, 60), 8);
  expect(time.run(drive, 1).yawRate).toBeGreaterThan(0.1);
});

it('is as quick as the clock, and says what it drops where it is not', () => {
  const drive = liveDrive(plan());
  const time = clock();
  drive.hear(raw(0), 1);
  const at = time.run(drive, 2);
  expect(at.t).toBeGreaterThan(1.98);
  expect(at.slowShare).toBe(0);
  // A machine that comes to it every tenth of a second does half of it.
  const late = clock(100);
  const slow = liveDrive(plan());
  slow.hear(raw(0), 1);
  const frame = late.run(slow, 20);
  expect(frame.t).toBeGreaterThan(9);
  expect(frame.t).toBeLessThan(11);
  expect(frame.slowShare).toBeCloseTo(0.5, 1);
});

it.each(['gone', 'hidden', 'asked'] as const)(
  '%s: it stands at once, and goes on only after the feet were off',
  (why) => {
    const drive = liveDrive(plan());
    const time = clock();
    drive.hear(raw(0), 1);
    time.run(drive, 0.1);
    drive.hear(raw(1), 2);
    const before = time.run(drive, 3);
    drive.stop(why);
    const stopped = time.run(drive, 2);
    expect(stopped).toMatchObject({ state: 'stopped', why, t: before.t });
    // The foot is still down, and the clock jumped.
    time.skip(60_000);
    drive.goOn(why === 'gone' ? 'asked' : 'gone');
    expect(time.run(drive, 0.1).state).toBe('stopped');
    drive.goOn(why);
    drive.hear(raw(1), 3);
    expect(time.run(drive, 0.5)).toMatchObject({ state: 'waiting', t: before.t });
    drive.hear(raw(0), 4);
    const on = time.run(drive, 0.2);
    expect(on.state).toBe('driving');
    expect(on.t - before.t).toBeLessThan(0.25);
    // All of it is one ride.
    const { t_s: t } = drive.log().columns;
    expect(t.every((s, i) => i === 0 || s > t[i - 1]!)).toBe(true);
  },
);

it('a stop that was asked for outlasts a hidden page', () => {
  const drive = liveDrive(plan());
  const time = clock();
  drive.hear(raw(0), 1);
  time.run(drive, 0.1);
  drive.stop('asked');
  drive.stop('hidden');
  drive.goOn('hidden');
  expect(time.run(drive, 0.1)).toMatchObject({ state: 'stopped', why: 'asked' });
});

it('the brake held while it stands off the road brings it back, and held longer ends the ride', () => {
  const drive = liveDrive(plan());
  const time = clock();
  drive.hear(raw(0), 1);
  time.run(drive, 0.1);
  drive.hear(raw(0.6, 0, 90), 2);
  const off = time.run(drive, 5);
  expect(Math.abs(off.offsetM)).toBeGreaterThan(8);
  drive.hear(raw(0, 1), 3);
  const back = time.run(drive, 8);
  expect(back.state).toBe('over');
  expect(Math.abs(back.offsetM)).toBeLessThan(0.5);
});

it('paddles shift where nothing shifts by itself; over the line backwards is the lap before again', () => {
  const drive = liveDrive(plan({ isAutomatic: false }));
  const time = clock();
  drive.hear(raw(0), 1);
  time.run(drive, 0.1);
  drive.hear(raw(1), 2);
  expect(time.run(drive, 4).gear).toBe(1);
  drive.shift(1);
  expect(time.run(drive, 1).gear).toBe(2);
  drive.shift(-1);
  expect(time.run(drive, 1).gear).toBe(1);

  const ring = liveDrive(plan({ isAutomatic: false, track: trackById('millrace-ring'), laps: 2 }));
  ring.hear(raw(0), 1);
  const again = clock();
  again.run(ring, 0.1);
  ring.hear(raw(0.7), 2);
  let frame = again.run(ring, 0.1);
  for (let s = 0; s < 40 && frame.lap < 1; s += 0.5) frame = again.run(ring, 0.5);
  expect(frame.lap).toBe(1);
  ring.hear(raw(0, 0.7), 3);
  again.run(ring, 8);
  ring.shift(-1);
  ring.shift(-1);
  ring.hear(raw(0.5), 4);
  for (let s = 0; s < 60 && frame.lap > 0; s += 0.5) frame = again.run(ring, 0.5);
  expect(frame.lap).toBe(0);
});

it('a driver who stands in drives the same ride as the simulated one, and it is measured like any other', () => {
  const hardware = { released: 2100, pressed: 61_000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65_535 };
  const setup = { hardware, calibration: { released: 2180, pressed: 60_930 }, layers: [NEUTRAL_LAYER] };
  const recorder = forceRecorder(100);
  const drive = liveDrive(
    plan({
      track: trackById('millrace-ring'),
      standIn: {
        throttle: setup,
        brake: setup,
        foot: { restTravel: 0.04, restWander: 0.001, pressTravel: 0.9, pressSpread: 0.01 },
        seed: 3,
      },
    }),
    recorder,
  );
  const time = clock(16);
  let frame = time.run(drive, 1);
  for (let s = 0; s < 120 && frame.state !== 'over'; s++) frame = time.run(drive, 1);
  expect(frame.state).toBe('over');
  expect(frame.lastLapS!).toBeGreaterThan(50);
  const log = drive.log();
  const { laps, summary } = measureRide(log);
  expect(laps.filter(({ counted }) => counted)).toHaveLength(1);
  // A foot that rests on the brake is found in it.
  expect(summary.brakeDrag!).toBeGreaterThan(0.9);
  expect(recorder.finish().t.length).toBeGreaterThan(5000);
  expect(log.columns.engine_rpm!.length).toBe(log.columns.t_s.length);
});
