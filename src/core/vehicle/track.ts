/** One straight and the corner after it; the corner's whole angle includes both its clothoids. */
export interface TrackSegment {
  straightM: number;
  /** Right negative. */
  radiusM: number;
  angleDeg: number;
  clothoidM: number;
  bumpy?: boolean;
  /** How steep it climbs, m per 100 m of road; negative falls. */
  climbPercent?: number;
  /** A kerb along the inside of the corner, so far from the line that is driven, m. */
  kerbM?: number;
}

/** A corner as it was driven, with the radius of the line through it. */
export interface RoadCorner {
  /** Where it is tightest, m from the start. */
  atM: number;
  radiusM: number;
  /** Half a 95 % interval of the radius; `null` where one lap alone tells nothing of it. */
  plusMinusM: number | null;
  /** How far it turns, left positive. */
  angleDeg: number;
}

/** The course of a road that was measured rather than laid out. */
export interface RoadCourse {
  /** Distance from the start, m, and curvature there, 1/m, left positive; between two of them it changes evenly. */
  knots: [number, number][];
  corners: RoadCorner[];
}

export interface TrackSpec {
  id: string;
  name: string;
  widthM: number;
  closed: boolean;
  /** Empty where the road has a course of its own. */
  segments: TrackSegment[];
  course?: RoadCourse;
}

/** A centreline sampled every metre or so; index i lies at distance i·stepM. */
export interface Track {
  spec: TrackSpec;
  lengthM: number;
  stepM: number;
  x: Float64Array;
  y: Float64Array;
  heading: Float64Array;
  /** Its cosine and sine. */
  east: Float64Array;
  north: Float64Array;
  /** 1/m, left positive. */
  curvature: Float64Array;
  bumpy: Uint8Array;
  /** Sine of the slope, uphill positive, and the height over the start, m. */
  grade: Float64Array;
  z: Float64Array;
  /** Where a kerb begins, m to the left of the line (right negative); 0 where there is none. */
  kerb: Float64Array;
  /** Distance between the end of the line and its start, m; small on a closed track. */
  gapM: number;
}

interface Piece {
  lengthM: number;
  from: number;
  to: number;
  bumpy: boolean;
  kerb: number;
  grade: number;
}

const RAD = Math.PI / 180;
const FINE_STEPS_PER_SAMPLE = 10;

/** Lays a road from the origin along x: by its segments, each a straight, clothoid, arc and clothoid, or by its course. */
export function layTrack(spec: TrackSpec): Track {
  const pieces = spec.course ? piecesOfCourse(spec.course) : spec.segments.flatMap(piecesOf);
  const lengthM = pieces.reduce((sum, p) => sum + p.lengthM, 0);
  const count = Math.round(lengthM);
  const stepM = lengthM / count;
  const track: Track = {
    spec,
    lengthM,
    stepM,
    x: new Float64Array(count),
    y: new Float64Array(count),
    heading: new Float64Array(count),
    east: new Float64Array(count),
    north: new Float64Array(count),
    curvature: new Float64Array(count),
    bumpy: new Uint8Array(count),
    grade: new Float64Array(count),
    z: new Float64Array(count),
    kerb: new Float64Array(count),
    gapM: 0,
  };
  const dx = stepM / FINE_STEPS_PER_SAMPLE;
  let [x, y, heading, piece, start] = [0, 0, 0, 0, 0];
  for (let i = 0; i < count * FINE_STEPS_PER_SAMPLE; i++) {
    const s = i * dx;
    while (piece < pieces.length - 1 && s >= start + pieces[piece]!.lengthM)
      start += pieces[piece++]!.lengthM;
    const now = pieces[piece]!;
    if (i % FINE_STEPS_PER_SAMPLE === 0) {
      const k = i / FINE_STEPS_PER_SAMPLE;
      track.x[k] = x;
      track.y[k] = y;
      track.heading[k] = heading;
      track.east[k] = Math.cos(heading);
      track.north[k] = Math.sin(heading);
      track.curvature[k] = curvatureAt(now, s - start);
      track.bumpy[k] = now.bumpy ? 1 : 0;
      track.kerb[k] = now.kerb;
      track.grade[k] = now.grade;
    }
    const turn = turned(pieces, piece, start, s, s + dx);
    x += dx * Math.cos(heading + turn / 2);
    y += dx * Math.sin(heading + turn / 2);
    heading += turn;
  }
  track.gapM = Math.hypot(x, y);
  layHeight(track);
  return track;
}

/** A slope begins and ends over so many metres on either side of where it is written. */
const SLOPE_EASE_M = 15;

/** Eases the slope from piece to piece, and sums it up. */
function layHeight({ grade, z, stepM, spec: { closed } }: Track): void {
  if (grade.every((g) => g === 0)) return;
  const written = grade.slice();
  const n = grade.length;
  const reach = Math.round(SLOPE_EASE_M / stepM);
  const at = (i: number) => written[closed ? wrap(i, n) : Math.min(n - 1, Math.max(0, i))]!;
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let k = -reach; k <= reach; k++) sum += at(i + k);
    grade[i] = sum / (2 * reach + 1);
    z[i] = i === 0 ? 0 : z[i - 1]! + grade[i - 1]! * stepM;
  }
}

function piecesOf(segment: TrackSegment): Piece[] {
  const { straightM, radiusM, angleDeg, clothoidM } = segment;
  const bumpy = segment.bumpy ?? false;
  const curvature = 1 / radiusM;
  const kerb = Math.sign(curvature) * (segment.kerbM ?? 0);
  const grade = Math.sin(Math.atan((segment.climbPercent ?? 0) / 100));
  const arcM = Math.abs(angleDeg * RAD * radiusM) - clothoidM;
  if (arcM < 0) throw new RangeError('a corner is shorter than its clothoids');
  return [
    { lengthM: straightM, from: 0, to: 0, bumpy, kerb: 0, grade },
    { lengthM: clothoidM, from: 0, to: curvature, bumpy: false, kerb: 0, grade },
    { lengthM: arcM, from: curvature, to: curvature, bumpy: false, kerb, grade },
    { lengthM: clothoidM, from: curvature, to: 0, bumpy: false, kerb: 0, grade },
  ].filter((piece) => piece.lengthM > 0);
}

function piecesOfCourse({ knots }: RoadCourse): Piece[] {
  return knots.slice(1).map(([at, to], k) => {
    const [start, from] = knots[k]!;
    return { lengthM: at - start, from, to, bumpy: false, kerb: 0, grade: 0 };
  });
}

function curvatureAt(piece: Piece, s: number): number {
  return piece.from + ((piece.to - piece.from) * s) / piece.lengthM;
}

/** Heading change between two distances, exact across the joints of the pieces. */
function turned(pieces: Piece[], piece: number, start: number, from: number, to: number): number {
  let turn = 0;
  let at = from;
  while (at < to && piece < pieces.length) {
    const now = pieces[piece]!;
    const end = Math.min(to, start + now.lengthM);
    turn += (curvatureAt(now, at - start) + curvatureAt(now, end - start)) * 0.5 * (end - at);
    at = end;
    if (at < to) start += pieces[piece++]!.lengthM;
  }
  return turn;
}

/** Where a point lies on the track: distance along it, offset to the left of the centreline. */
export interface TrackPlace {
  distanceM: number;
  offsetM: number;
}

const SEARCH_SAMPLES = 12;

/** Projects a point on the centreline near an earlier place, which becomes where it is now; follows the car, lap after lap. */
export function moveAlongTrack(track: Track, x: number, y: number, place: TrackPlace): void {
  const n = track.x.length;
  const { closed } = track.spec;
  let best = Math.round(place.distanceM / track.stepM);
  if (!closed) best = Math.min(n - 1, Math.max(0, best));
  // Downhill from where it was: between two looks a car moves by less than a sample.
  let least = away(track, best, x, y);
  for (let way = 1; way >= -1; way -= 2)
    for (let walked = 0; walked < SEARCH_SAMPLES; walked++) {
      const next = best + way;
      if (!closed && (next < 0 || next >= n)) break;
      const there = away(track, next, x, y);
      if (there >= least) break;
      best = next;
      least = there;
    }
  const k = wrap(best, n);
  const dx = x - track.x[k]!;
  const dy = y - track.y[k]!;
  const cos = track.east[k]!;
  const sin = track.north[k]!;
  const along = best * track.stepM + dx * cos + dy * sin;
  const length = track.lengthM;
  place.distanceM = closed ? ((along % length) + length) % length : along;
  place.offsetM = dy * cos - dx * sin;
}

function wrap(i: number, n: number): number {
  if (i >= 0 && i < n) return i;
  return ((i % n) + n) % n;
}

function away(track: Track, i: number, x: number, y: number): number {
  const k = wrap(i, track.x.length);
  const dx = track.x[k]! - x;
  const dy = track.y[k]! - y;
  return dx * dx + dy * dy;
}

/** Sample of the centreline at a distance; wraps on a closed track, stops at the end of an open one. */
export function trackIndex(track: Track, distanceM: number): number {
  const n = track.x.length;
  const i = Math.round(distanceM / track.stepM);
  return track.spec.closed ? wrap(i, n) : Math.min(n - 1, Math.max(0, i));
}

/** How long a road is, m, without laying it. */
export function trackLength({ segments, course }: TrackSpec): number {
  const pieces = course ? piecesOfCourse(course) : segments.flatMap(piecesOf);
  return pieces.reduce((sum, { lengthM }) => sum + lengthM, 0);
}

/** A road's tightest corner: as it is laid out, or as it was driven with what its radius is off by at most. */
export function tightestCorner({ segments, course }: TrackSpec): Pick<RoadCorner, 'radiusM' | 'plusMinusM'> {
  const corners = course?.corners ?? segments.map((s) => ({ radiusM: Math.abs(s.radiusM), plusMinusM: 0 }));
  return corners.reduce((tightest, corner) => (corner.radiusM < tightest.radiusM ? corner : tightest), {
    radiusM: Infinity,
    plusMinusM: 0,
  });
}

/** Radius of the tightest corner of a road, m; infinite where it has none. */
export const tightestRadius = (spec: TrackSpec): number => tightestCorner(spec).radiusM;
