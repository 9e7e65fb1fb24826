import { TRACKS } from '@/catalog/tracks';
import { layTrack, trackLength } from './track';
import { placeText, roadPlaces } from './roadPlaces';

it.each(TRACKS)('$name: corners lie where the road that is laid turns, and nowhere else', (spec) => {
  const places = roadPlaces(spec);
  const { curvature, kerb, stepM } = layTrack(spec);
  expect(places).toHaveLength(spec.segments.length);
  expect(places.at(-1)!.toM).toBeCloseTo(trackLength(spec), 6);
  curvature.forEach((k, i) => {
    const at = i * stepM;
    const place = places.find(({ fromM, toM }) => fromM - stepM <= at && at <= toM + stepM);
    if (k !== 0) expect(place).toBeDefined();
    if (kerb[i] !== 0) expect(place!.hasKerb).toBe(true);
  });
  for (const { atM } of places) expect(curvature[Math.round(atM / stepM)]).not.toBe(0);
});

it('corners of a road that was driven lie about where they are tightest', () => {
  const corners = [{ atM: 200, radiusM: 100, plusMinusM: 3, angleDeg: 90 }];
  const [place] = roadPlaces({ segments: [], course: { knots: [[0, 0]], corners } });
  expect(place!.toM - place!.fromM).toBeCloseTo((100 * Math.PI) / 2, 9);
  expect(place!.atM).toBe(200);
});

it('a stretch is named by the corners that it touches, else by those around it', () => {
  const place = (corner: number, fromM: number, toM: number, hasKerb = false) => ({
    ...{ corner, fromM, toM, hasKerb },
    atM: (fromM + toM) / 2,
  });
  const places = [place(1, 100, 150), place(2, 300, 400, true), place(3, 420, 460)];
  expect(placeText(places, 0, 50)).toBe('before corner 1');
  expect(placeText(places, 120, 130)).toBe('in corner 1');
  expect(placeText(places, 140, 200)).toBe('in corner 1');
  expect(placeText(places, 160, 290)).toBe('between corners 1 and 2');
  expect(placeText(places, 310, 320)).toBe('in corner 2 with its kerb');
  expect(placeText(places, 390, 430)).toBe('from corner 2 to 3');
  expect(placeText(places, 500, 600)).toBe('after corner 3');
  expect(placeText([], 0, 10)).toBe('on the straight');
});
