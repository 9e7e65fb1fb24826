import { CARS } from '@/catalog/cars';
import { TRACKS } from '@/catalog/tracks';
import { PART_NAMES, type PartName } from '../feel/testRun';
import { layTrack, trackIndex } from '../vehicle/track';
import { partStretch, TEST_TRACK } from './testCourse';

const track = layTrack(TRACKS.find(({ id }) => id === TEST_TRACK)!);
const cases = CARS.flatMap((car) =>
  PART_NAMES.map((part) => [car.id, part, partStretch(part, track, car)] as const),
);
/** What a car comes over in a part, were it driven at the speed at which it sets out. */
const over = (part: PartName, carId: string) => {
  const { fromM, speedMps, seconds } = cases.find(([id, name]) => id === carId && name === part)![2];
  const from = trackIndex(track, fromM);
  return Array.from(
    { length: Math.ceil((speedMps * seconds) / track.stepM) },
    (_, i) => (from + i) % track.x.length,
  );
};
const ids = CARS.map(({ id }) => id);
const bent = (i: number) => Math.abs(track.curvature[i]!);

it.each(cases)(
  '%s sets out for the %s on the road, no faster than it can, and the whole takes minutes',
  (_, part, stretch) => {
    expect(stretch.fromM).toBeGreaterThanOrEqual(0);
    expect(stretch.fromM).toBeLessThan(track.lengthM);
    expect(stretch.seconds).toBeGreaterThanOrEqual(9);
    expect(stretch.seconds).toBeLessThanOrEqual(20);
    if (part === 'launch') expect(stretch.speedMps).toBe(0);
    else expect(stretch.speedMps).toBeGreaterThan(1);
    expect(stretch.speedMps).toBeLessThan(70);
  },
);

it.each(ids)('%s comes over what a part is about', (id) => {
  const tightest = Math.max(...track.curvature.map(Math.abs));
  expect(Math.max(...over('hairpin', id).map(bent))).toBeCloseTo(tightest, 6);
  expect(over('kerb', id).some((i) => track.kerb[i] !== 0)).toBe(true);
  const sweep = Math.max(...over('sweep', id).map(bent));
  expect(sweep).toBeGreaterThan(1 / 400);
  // What is tried on a straight does not end in a turn.
  for (const part of ['grass', 'roll', 'launch'] as const)
    for (const i of over(part, id)) expect(bent(i)).toBeLessThan(1 / 150);
});

it('goes to the fastest of the bends, not to any', () => {
  for (const id of ids) {
    const speedAt = (part: PartName) => cases.find(([one, name]) => one === id && name === part)![2].speedMps;
    expect(speedAt('sweep')).toBeGreaterThan(speedAt('hairpin'));
    expect(speedAt('sweep')).toBeGreaterThan(speedAt('kerb'));
  }
});

it('finds its places on any road that there is, an open one and one without kerbs as well', () => {
  for (const spec of TRACKS) {
    const laid = layTrack(spec);
    for (const part of PART_NAMES) {
      const stretch = partStretch(part, laid, CARS[0]!);
      expect(Number.isFinite(stretch.speedMps)).toBe(true);
      expect(stretch.fromM).toBeLessThan(laid.lengthM);
    }
  }
});
