import type { TrackSegment, TrackSpec } from '@/core/vehicle/track';

const segment = (
  straightM: number,
  radiusM: number,
  angleDeg: number,
  clothoidM: number,
  along: Pick<TrackSegment, 'bumpy' | 'kerbM' | 'climbPercent'> = {},
): TrackSegment => ({ straightM, radiusM, angleDeg, clothoidM, ...along });

const BUMPY = { bumpy: true };
/** The inner wheel runs over it as often as not. */
const KERBED = { kerbM: 0.5 };

const climb = (climbPercent: number) => ({ climbPercent });

/** Roads of the demo's world; corners to the right have a negative radius and angle. */
export const TRACKS: readonly TrackSpec[] = [
  {
    id: 'saltmarsh-loop',
    name: 'Saltmarsh Loop',
    widthM: 10,
    closed: true,
    segments: [
      segment(300, -190, -75, 60),
      segment(60, -60, -70, 30),
      segment(234.83, 12.5, 180, 9),
      segment(146.35, -45, -95, 25),
      segment(250, -70, -80, 30, BUMPY),
      segment(145.65, 28, 55, 16, KERBED),
      segment(10.22, -28, -55, 16, KERBED),
      segment(123.88, -55, -90, 25),
      segment(758.74, -85, -70, 30),
      segment(291.5, -40, -60, 20),
    ],
  },
  {
    // Half a ring twice: it closes by its own symmetry.
    id: 'millrace-ring',
    name: 'Millrace Ring',
    widthM: 12,
    closed: true,
    segments: [
      segment(300, 48, 90, 20),
      segment(338.3, 32, 90, 16, BUMPY),
      segment(300, 48, 90, 20),
      segment(338.3, 32, 90, 16),
    ],
  },
  {
    // Up once, from the quarry gate to the cairn; the last straight is for slowing down.
    id: 'cairn-brae',
    name: 'Cairn Brae',
    widthM: 8,
    closed: false,
    segments: [
      segment(150, 45, 60, 20, climb(6)),
      segment(80, -35, -80, 18, climb(8)),
      segment(120, 80, 45, 25, climb(9)),
      segment(70, 14, 150, 9, climb(12)),
      segment(120, -14, -150, 9, climb(14)),
      segment(120, -90, -50, 30, { ...BUMPY, climbPercent: 10 }),
      segment(90, 30, 70, 15, climb(8)),
      segment(70, -40, -60, 18, { ...KERBED, climbPercent: 7 }),
      segment(150, 120, 40, 30, climb(9)),
      segment(100, -22, -100, 12, climb(13)),
      segment(61.3, 60, 30, 15, climb(8)),
      segment(60, 600, 2, 4, climb(6)),
    ],
  },
  {
    // A launch lane, twice around the circle, a weave lane, a strip of kerb, and back to walking pace.
    id: 'quarry-pan',
    name: 'Quarry Pan',
    widthM: 30,
    closed: false,
    segments: [
      segment(200, 25, 720, 20),
      segment(60, 60, 24, 12),
      segment(0, -60, -48, 12),
      segment(0, 60, 48, 12),
      segment(0, -60, -48, 12),
      segment(0, 60, 24, 12),
      segment(40, -80, -90, 20, KERBED),
      segment(160, 14, 180, 10),
      segment(100, 600, 2, 4),
    ],
  },
];
