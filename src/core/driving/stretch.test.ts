import { carById, trackById } from '@/catalog/find';
import { TRACKS } from '@/catalog/tracks';
import { CARS } from '@/catalog/cars';
import { measureRide } from '../rides/measureRide';
import { NEUTRAL_LAYER } from '../response/layer';
import { layTrack, trackIndex } from '../vehicle/track';
import { liveDrive, type LivePlan } from './liveDrive';
import type { LiveAxes } from './liveInputs';
import { STRETCH_S, STRETCHES, stretchFor, stretchOf } from './stretch';
import { BY_ITSELF } from './shifting';

const pedal = { calibration: { released: 0, pressed: 1000 }, layers: [NEUTRAL_LAYER] };
const AXES: LiveAxes = {
  wheel: { centre: 0, countsPerDeg: 36, gain: 1, lockDeg: 900, layers: [NEUTRAL_LAYER] },
  pedals: { throttle: pedal, brake: pedal },
};
const steep: LiveAxes = {
  ...AXES,
  pedals: { ...AXES.pedals, throttle: { ...pedal, layers: [{ ...NEUTRAL_LAYER, deadzone: 0.4 }] } },
};
const CAR = carById('marl-850');

it.each(TRACKS.map(({ id }) => id))(
  'on %s every stretch begins on the road, at a speed that the car can hold there',
  (id) => {
    const track = layTrack(trackById(id));
    for (const car of CARS)
      for (const kind of STRETCHES) {
        const { fromM, speedMps } = stretchOf(track, car, kind);
        expect(fromM).toBeLessThan(track.lengthM);
        expect(speedMps).toBeGreaterThan(2);
        const bent = Math.abs(track.curvature[trackIndex(track, fromM)]!);
        expect(speedMps ** 2 * bent).toBeLessThan(12);
      }
  },
);

it('a straight is the straightest piece; before a bend its tightest place comes within some seconds', () => {
  const track = layTrack(trackById('saltmarsh-loop'));
  const straight = stretchOf(track, CAR, 'straight');
  for (let m = 0; m < 150; m += 5)
    expect(Math.abs(track.curvature[trackIndex(track, straight.fromM + m)]!)).toBeLessThan(0.002);
  const bend = stretchOf(track, CAR, 'bend');
  const tightest = Math.max(...track.curvature.map(Math.abs));
  const ahead = Array.from({ length: 120 }, (_, m) =>
    Math.abs(track.curvature[trackIndex(track, bend.fromM + m)]!),
  ).findIndex((bent) => bent > 0.999 * tightest);
  expect(ahead).toBeGreaterThan(10);
  expect(ahead).toBeLessThan(100);
  expect(['steering', 'brake', 'throttle'].map((axis) => stretchFor(axis as 'brake'))).toEqual([
    'weave',
    'bend',
    'straight',
  ]);
});

const plan = (over: Partial<LivePlan>): LivePlan => ({
  ...{ car: CAR, track: trackById('saltmarsh-loop'), axes: AXES, shifting: BY_ITSELF, laps: 1 },
  ...{ standIn: null, stretch: null },
  ...over,
});

function run(drive: ReturnType<typeof liveDrive>, fromMs: number, seconds: number) {
  let frame = drive.tick(fromMs);
  for (let ms = 4; ms <= 1000 * seconds; ms += 4) frame = drive.tick(fromMs + ms);
  return frame;
}

it('a short ride rolls from its start, ends by itself, and the same feet go slower behind a dead zone', () => {
  const stretch = stretchOf(layTrack(trackById('saltmarsh-loop')), CAR, 'straight');
  const [plain, behind] = [AXES, steep].map((axes) => {
    const drive = liveDrive(plan({ axes, stretch }));
    drive.hear({ throttle: 0, brake: 0, steering: 0 }, 0);
    const first = run(drive, 0, 0.01);
    expect(first.speedMps).toBeCloseTo(stretch.speedMps, 0);
    drive.hear({ throttle: 500 }, 1);
    const half = run(drive, 10, 3);
    expect(half).toMatchObject({ state: 'driving', isWhole: false });
    const end = run(drive, 3010, 4);
    expect(end).toMatchObject({ state: 'over', isWhole: true });
    expect(end.t).toBeCloseTo(STRETCH_S, 2);
    return end;
  });
  expect(plain!.speedMps).toBeGreaterThan(behind!.speedMps + 1);
});

it('what hands and feet go through is exchanged while it is driven: each part is a ride of its own', () => {
  const drive = liveDrive(plan({}));
  drive.hear({ throttle: 0, brake: 0, steering: 0 }, 0);
  run(drive, 0, 0.01);
  drive.hear({ throttle: 500 }, 1);
  const before = run(drive, 10, 3);
  const first = drive.exchange({ axes: steep, standIn: null });
  drive.hear({ throttle: 500 }, 2);
  const after = run(drive, 3010, 2);
  expect(before.throttle).toBeCloseTo(0.5, 6);
  expect(after.throttle).toBeCloseTo(1 / 6, 6);
  // It goes on where it was: neither place nor time jumps.
  expect(after.t).toBeCloseTo(before.t + 2, 1);
  const second = drive.log();
  expect(new Set(first.columns.throttle!.slice(20))).toEqual(new Set([0.5]));
  expect(second.columns.t_s![0]! - first.columns.t_s!.at(-1)!).toBeCloseTo(0.01, 6);
  expect(second.columns.distance_m!.length).toBe(200);
  expect(measureRide(second).laps.filter(({ counted }) => counted)).toHaveLength(0);
});

it('before it is begun, a short ride that is broken off is no whole one', () => {
  const stretch = stretchOf(layTrack(trackById('cairn-brae')), CAR, 'bend');
  const drive = liveDrive(plan({ track: trackById('cairn-brae'), stretch }));
  drive.hear({ throttle: 0, brake: 0, steering: 0 }, 0);
  run(drive, 0, 2);
  drive.end();
  expect(drive.tick(3000)).toMatchObject({ state: 'over', isWhole: false });
});
