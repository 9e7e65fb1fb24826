import { trackById } from '@/catalog/find';
import { layTrack } from '@/core/vehicle/track';
import { horizonOf, project, roadAhead, type Eye } from './roadAhead';

const screen = { width: 1280, height: 800, focal: 960 };
const eye: Eye = { x: 0, y: 0, z: 1.1, yaw: 0, pitch: 0 };

it('what is straight ahead stands in the middle, what is to the left to the left, and twice as far half as large', () => {
  const [u, v] = project(eye, screen, 20, 0, 0)!;
  expect(u).toBe(640);
  expect(v).toBeGreaterThan(horizonOf(eye, screen));
  const [left] = project(eye, screen, 20, 2, 0)!;
  const [farther] = project(eye, screen, 40, 2, 0)!;
  expect(left).toBeLessThan(640);
  expect((640 - left) / (640 - farther)).toBeCloseTo(2, 9);
  expect(project(eye, screen, -5, 0, 0)).toBeNull();
});

it('turning the eye to the left moves the world to the right', () => {
  expect(project({ ...eye, yaw: 0.1 }, screen, 20, 0, 0)![0]).toBeGreaterThan(640);
});

it('the road ahead is drawn from far to near, on both sides of the line, and rises where it climbs', () => {
  const level = layTrack(trackById('saltmarsh-loop'));
  const strips = roadAhead(level, eye, screen, 0, 200);
  expect(strips.length).toBeGreaterThan(30);
  expect(strips.every(({ atM }, i) => i === 0 || atM < strips[i - 1]!.atM)).toBe(true);
  const [nearLeft, nearRight] = strips.at(-1)!.road;
  expect(nearLeft![0]).toBeLessThan(640);
  expect(nearRight![0]).toBeGreaterThan(640);
  expect(strips[0]!.road[2]![1]).toBeGreaterThan(horizonOf(eye, screen) - 1);

  const hill = layTrack(trackById('cairn-brae'));
  const up = roadAhead(hill, eye, screen, 0, 120);
  const top = (all: typeof up) => Math.min(...all.flatMap(({ road }) => road.map(([, y]) => y)));
  expect(top(up)).toBeLessThan(top(strips));
});

it('a closed road goes on over its line, an open one ends', () => {
  const ring = layTrack(trackById('millrace-ring'));
  const at = ring.lengthM - 20;
  const k = Math.round(at / ring.stepM);
  const there: Eye = { ...eye, x: ring.x[k]!, y: ring.y[k]!, yaw: ring.heading[k]! };
  expect(roadAhead(ring, there, screen, at, 150)[0]!.atM).toBeGreaterThan(ring.lengthM + 80);
  const open = layTrack(trackById('cairn-brae'));
  const end = open.lengthM - 30;
  const n = open.x.length - 31;
  const last: Eye = { ...eye, x: open.x[n]!, y: open.y[n]!, z: open.z[n]! + 1, yaw: open.heading[n]! };
  expect(roadAhead(open, last, screen, end, 200)[0]!.atM).toBeLessThan(open.lengthM);
});

it.each([12.5, 30, 90])(
  'a turn of %d m is drawn from the feet on, as far as it lies before the eye',
  (radiusM) => {
    const half = { straightM: 10, radiusM, angleDeg: 180, clothoidM: 0 };
    const ring = layTrack({ id: 'ring', name: 'Ring', widthM: 10, closed: true, segments: [half, half] });
    const at = 12;
    const k = Math.round(at / ring.stepM);
    const there: Eye = { ...eye, x: ring.x[k]!, y: ring.y[k]!, yaw: ring.heading[k]! };
    const drawn = roadAhead(ring, there, screen, at, 0.9 * radiusM).map(({ atM }) => atM - at);
    // A quarter of a turn lies before the eye; every piece of it that is wide enough away is there.
    for (let ahead = 6; ahead < 0.9 * radiusM; ahead += 4)
      expect(drawn.some((m) => Math.abs(m - ahead) <= 4)).toBe(true);
  },
);
