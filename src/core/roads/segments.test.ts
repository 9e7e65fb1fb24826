import fc from 'fast-check';
import { TRACKS } from '@/catalog/tracks';
import { layTrack } from '../vehicle/track';
import { closedSegments } from './closedSegments';
import { crossingOf } from './crossing';
import { MOST_SEGMENTS, readSegmentLines, segmentLines } from './segmentLines';

const code = (text: string) => {
  const read = readSegmentLines(text);
  return read.ok ? 'read' : `${read.problems[0]!.code} ${read.problems[0]!.place.row ?? ''}`.trim();
};

describe('a road in lines', () => {
  it('every road of the catalogue is written and read back', () => {
    for (const { segments } of TRACKS)
      expect(readSegmentLines(segmentLines(segments))).toEqual({
        ok: true,
        value: segments.map(({ straightM, radiusM, angleDeg, clothoidM }) => ({
          ...{ straightM, radiusM, angleDeg, clothoidM },
        })),
      });
  });

  it('either decimal sign, either way of saying right, and a clothoid of its own where none is given', () => {
    const [byWord, bySign] = ['12,5 40 90 right', '12.5; -40; -90'].map((text) => readSegmentLines(text));
    expect(byWord).toEqual(bySign);
    expect(byWord).toMatchObject({ ok: true, value: [{ straightM: 12.5, radiusM: -40, angleDeg: -90 }] });
    if (byWord!.ok) expect(byWord!.value[0]!.clothoidM).toBeCloseTo((0.25 * Math.PI * 40) / 2);
  });

  it('says which line is none', () => {
    expect(code('100 40 90\nhello')).toBe('no-segment 2');
    expect(code('100 40')).toBe('no-segment 1');
    expect(code('100 40 90 5 7')).toBe('no-segment 1');
    expect(code('100 0 90')).toBe('no-segment 1');
    expect(code('100 10 10 30')).toBe('no-segment 1');
    expect(code(' \n')).toBe('nothing-there');
    expect(code('10 40 9\n'.repeat(5000))).toBe(`too-many-lines ${MOST_SEGMENTS + 1}`);
  });
});

describe('closing', () => {
  it('a road that nearly closes does, by little: length kept, curvatures moved by a hundredth', () => {
    const off = fc.double({ min: -2, max: 2, noNaN: true });
    fc.assert(
      fc.property(off, off, (a, b) => {
        const segments = TRACKS[1]!.segments.map((s, i) => ({
          ...s,
          angleDeg: s.angleDeg + (i === 0 ? a : 0),
          straightM: s.straightM + (i === 2 ? b : 0),
        }));
        const closed = closedSegments(segments)!;
        const spec = { ...TRACKS[1]!, segments: [], course: closed.course };
        expect(layTrack(spec).gapM).toBeLessThan(0.1);
        for (const { atM, radiusM } of closed.course.corners) {
          const knot = closed.course.knots.findLast(([at]) => at <= atM)!;
          expect(Math.abs(Math.abs(knot[1]) * radiusM - 1)).toBeLessThan(0.08);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('a corner that is missing is not made up', () => {
    expect(closedSegments(TRACKS[1]!.segments.slice(0, 2))).toBeNull();
  });
});

it('a road that crosses itself says where; one that doesn’t has no crossing', () => {
  for (const track of TRACKS.filter(({ closed }) => closed)) expect(crossingOf(track)).toBeNull();
  const loop = [
    { straightM: 100, radiusM: 30, angleDeg: 270, clothoidM: 0 },
    { straightM: 100, radiusM: 30, angleDeg: 1, clothoidM: 0 },
  ];
  const crossing = crossingOf({ id: 'x', name: 'x', widthM: 8, closed: false, segments: loop })!;
  expect(crossing.firstM).toBeCloseTo(70, -1);
  expect(crossing.thenM).toBeCloseTo(100 + 1.5 * Math.PI * 30 + 30, -1);
});
