import fc from 'fast-check';
import { carById, trackById } from '@/catalog/find';
import { NEUTRAL_LAYER } from '../response/layer';
import { measureRide } from '../rides/measureRide';
import { forceRecorder } from '../force/forceInputs';
import { liveDrive, type LivePlan } from './liveDrive';
import { heard, NO_INPUT, type LiveAxes } from './liveInputs';
import { BY_ITSELF, leverAt, type LiveLever, type Shifting } from './shifting';

const pedal = { calibration: { released: 1000, pressed: 61_000 }, layers: [NEUTRAL_LAYER] };
const AXES: LiveAxes = {
  wheel: { centre: 32_768, countsPerDeg: -36, gain: 1, lockDeg: 900, layers: [NEUTRAL_LAYER] },
  pedals: { throttle: pedal, brake: pedal },
};
const plan = (over: Partial<LivePlan> = {}): LivePlan => ({
  car: carById('marl-850'),
  track: trackById('quarry-pan'),
  axes: AXES,
  shifting: BY_ITSELF,
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
  const drive = liveDrive(plan({ shifting: { ...BY_ITSELF, gears: 'paddles' } }));
  const time = clock();
  drive.hear(raw(0), 1);
  time.run(drive, 0.1);
  drive.hear(raw(1), 2);
  expect(time.run(drive, 4).gear).toBe(1);
  drive.shift(1);
  expect(time.run(drive, 1).gear).toBe(2);
  drive.shift(-1);
  expect(time.run(drive, 1).gear).toBe(1);

  const ring = liveDrive(
    plan({ shifting: { ...BY_ITSELF, gears: 'paddles' }, track: trackById('millrace-ring'), laps: 2 }),
  );
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

describe('gears and clutch by hand and foot', () => {
  const own = (clutch: Shifting['clutch']): Shifting => ({ gears: 'paddles', clutch, hold: 0.46 });
  const lever: LiveLever = {
    places: [0, 1, 2, 3, -1].map((gear) => ({ gear, reading: gear < 0 ? 9 : gear })),
    isSequential: false,
  };
  const withClutch = (more: Partial<LiveAxes> = {}): LiveAxes => ({
    ...AXES,
    pedals: { ...AXES.pedals, clutch: pedal, paddle_left: pedal, paddle_right: pedal },
    ...more,
  });
  const at = (travel: number) => 1000 + 60_000 * travel;

  it('paddles are the clutch as their rim says: both, one of them at the hold, or one of them the handbrake', () => {
    const pulled = { clutch: at(0.1), paddle_left: at(0.2), paddle_right: at(0.8), handbrake: at(0) };
    const told = (mode: NonNullable<LiveAxes['paddles']>['mode']) => {
      const { clutch, handbrake } = heard(withClutch({ paddles: { mode, hold: 0.46 } }), pulled, NO_INPUT);
      return [clutch, handbrake].map((v) => Number(v.toFixed(6)));
    };
    expect(told('both-clutch')).toEqual([0.8, 0]);
    expect(told('two-stage')).toEqual([0.368, 0]);
    expect(told('clutch-handbrake')).toEqual([0.2, 0.8]);
    expect(told('brake-throttle')).toEqual([0.1, 0]);
  });

  it('stands in neutral, starts by the clutch, and never stalls where a shift opens it', () => {
    const axes = withClutch({ paddles: { mode: 'two-stage', hold: 0.46 } });
    const drive = liveDrive(plan({ axes, shifting: own('paddles') }));
    const time = clock();
    const rest = { clutch: at(0), paddle_left: at(0), paddle_right: at(0) };
    drive.hear({ ...raw(0), ...rest }, 1);
    expect(time.run(drive, 2)).toMatchObject({ gear: 0, state: 'driving' });
    expect(time.run(drive, 0.1).rpm).toBeGreaterThan(700);
    drive.hear({ ...raw(0.6), ...rest, paddle_left: at(1), paddle_right: at(1) }, 2);
    drive.shift(1);
    const waits = time.run(drive, 1);
    expect([waits.gear, waits.speedMps < 0.5, waits.rpm > 2500]).toEqual([1, true, true]);
    // The left one let go: the right one holds the clutch where it slips and pulls.
    drive.hear({ ...raw(0.6), ...rest, paddle_right: at(1) }, 3);
    const holds = time.run(drive, 1);
    expect(holds.clutch).toBeCloseTo(0.46, 2);
    expect(holds.speedMps).toBeGreaterThan(2);
    drive.hear({ ...raw(0.8), ...rest }, 4);
    time.run(drive, 2);
    drive.shift(1);
    const second = time.run(drive, 1);
    expect([second.gear, second.rpm > 1000]).toEqual([2, true]);
  });

  it('a gate is the gear that it says, whatever the paddles want; a clutch that is never let go moves nothing', () => {
    const drive = liveDrive(
      plan({ axes: withClutch({ lever }), shifting: { ...own('foot'), gears: 'lever' } }),
    );
    const time = clock();
    drive.hear({ ...raw(0), clutch: at(0), gear: 0 }, 1);
    expect(time.run(drive, 0.5).gear).toBe(0);
    drive.hear({ ...raw(0.4), clutch: at(1), gear: 1 }, 2);
    drive.shift(1);
    const held = time.run(drive, 3);
    expect([held.gear, Math.abs(held.speedMps) < 0.1]).toEqual([1, true]);
    drive.hear({ ...raw(0.5), clutch: at(0.55), gear: 1 }, 3);
    time.run(drive, 1.5);
    drive.hear({ ...raw(0.6), clutch: at(0), gear: 1 }, 4);
    expect(time.run(drive, 2).speedMps).toBeGreaterThan(4);
    // Back into neutral the engine turns by itself; reverse by its own gate.
    drive.hear({ ...raw(0), clutch: at(0), gear: 0 }, 5);
    expect(time.run(drive, 1).gear).toBe(0);
    drive.hear({ ...raw(0), clutch: at(1), gear: 9 }, 6);
    expect(time.run(drive, 1).gear).toBe(-1);
    // What reads nothing between the gates is the nearest one; what is no number changes nothing.
    expect([leverAt(lever, 2.4), leverAt(lever, 7)]).toEqual([2, -1]);
    drive.hear({ ...raw(0), gear: NaN }, 7);
    expect(time.run(drive, 0.1).gear).toBe(-1);
  });

  it('a sequential lever asks for the next gear once a push', () => {
    const pushed: LiveLever = {
      places: [
        { gear: 0, reading: 0 },
        { gear: 1, reading: 1 },
        { gear: -1, reading: 2 },
      ],
      isSequential: true,
    };
    const drive = liveDrive(
      plan({ axes: { ...AXES, lever: pushed }, shifting: { ...BY_ITSELF, gears: 'lever' } }),
    );
    const time = clock();
    const gears = [0, 1, 1, 0, 1, 0, 2, 0].map((gear, i) => {
      drive.hear({ ...raw(0), gear }, i);
      return time.run(drive, 0.6).gear;
    });
    expect(gears).toEqual([1, 2, 2, 2, 3, 3, 2, 2]);
  });
});

it('a steering that helps reaches the whole lock at rest, less as it gets fast, and never takes any away', () => {
  const wheel = { ...AXES.wheel, lockDeg: 900 };
  const assist = { halfDeg: 135, lockDeg: 450, wheelbaseM: 2.6, ratio: 14 };
  const turned = (deg: number, speed: number, by: LiveAxes['wheel'] = { ...wheel, assist }) =>
    (heard({ ...AXES, wheel: by }, raw(0, 0, deg), NO_INPUT, speed).hand * 180) / Math.PI;
  expect(turned(135, 0)).toBeCloseTo(450, 6);
  expect(turned(-135, 0)).toBeCloseTo(-450, 6);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 90, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      fc.double({ min: 1, max: 135, noNaN: true }),
      (speed, faster, deg) => {
        expect(turned(deg, speed + faster)).toBeLessThanOrEqual(turned(deg, speed) + 1e-9);
        expect(turned(deg, speed)).toBeGreaterThanOrEqual(turned(deg, speed, wheel) - 1e-9);
        // What a corner at the limit asks for is there.
        const asks = (Math.atan2(2.6 * 9.81 * 1.3, speed * speed) * 180 * 14) / Math.PI;
        expect(turned(135, speed)).toBeGreaterThanOrEqual(Math.min(450, Math.max(135, asks)) - 1e-6);
      },
    ),
  );
  expect(turned(100, 60)).toBeCloseTo(turned(100, 60, wheel), 6);
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
