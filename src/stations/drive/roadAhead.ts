import { trackIndex, type Track } from '@/core/vehicle/track';

/** Where the driver's eye is and looks; angles in rad, left positive, up positive. */
export interface Eye {
  x: number;
  y: number;
  z: number;
  yaw: number;
  pitch: number;
}

/** The picture: its size in pixels, and its focal length in them. */
export interface Screen {
  width: number;
  height: number;
  focal: number;
}

/** Nearer than this nothing is drawn: it would lie behind the eye. */
const NEAR_M = 1.2;

/** Where a point of the world stands in the picture; `null` behind the eye. */
export function project(eye: Eye, screen: Screen, x: number, y: number, z: number): [number, number] | null {
  const [dx, dy] = [x - eye.x, y - eye.y];
  const cos = Math.cos(eye.yaw);
  const sin = Math.sin(eye.yaw);
  const ahead = dx * cos + dy * sin;
  if (ahead < NEAR_M) return null;
  const left = dy * cos - dx * sin;
  return [
    screen.width / 2 - (screen.focal * left) / ahead,
    horizonOf(eye, screen) + (screen.focal * (eye.z - z)) / ahead,
  ];
}

/** Height of the horizon in the picture: where what is endlessly far and level stands. */
export const horizonOf = ({ pitch }: Pick<Eye, 'pitch'>, { height, focal }: Screen): number =>
  0.42 * height + focal * Math.tan(pitch);

/** A stretch of road between two places, as it is drawn: its corners, near left first, round. */
export interface RoadStrip {
  /** Distance of its near end along the road, m. */
  atM: number;
  index: number;
  road: [number, number][];
  /** Ground on either side; `null` where the road turns so tightly that some of it lies behind the eye. */
  ground: [number, number][] | null;
  isBumpy: boolean;
  /** m to the left of the line (right negative) where a kerb begins; 0 without. */
  kerb: number;
  kerbStrip: [number, number][] | null;
}

/** Kerbs are so wide, and the ground is drawn so far to either side, m. */
const KERB_M = 0.9;
const ASIDE_M = 70;

/**
 * The road ahead of an eye, far to near, in strips that grow with distance.
 * @param fromM where the car is along the road
 * @param farM how far is drawn
 */
export function roadAhead(track: Track, eye: Eye, screen: Screen, fromM: number, farM: number): RoadStrip[] {
  const half = track.spec.widthM / 2;
  const strips: RoadStrip[] = [];
  const across = (index: number, asideM: number) => {
    const heading = track.heading[index]!;
    return project(
      eye,
      screen,
      track.x[index]! - asideM * Math.sin(heading),
      track.y[index]! + asideM * Math.cos(heading),
      track.z[index]!,
    );
  };
  let at = -6;
  while (at < farM) {
    const step = at < 40 ? 2 : at < 120 ? 4 : 8;
    const [near, far] = [trackIndex(track, fromM + at), trackIndex(track, fromM + at + step)];
    at += step;
    // Before the start and past the end of an open road there is nothing.
    if (near === far) continue;
    const quad = (left: number, right: number) => {
      const corners = [across(near, left), across(near, right), across(far, right), across(far, left)];
      return corners.every((corner) => corner !== null) ? (corners as [number, number][]) : null;
    };
    const road = quad(half, -half);
    const ground = quad(half + ASIDE_M, -half - ASIDE_M);
    if (!road) continue;
    const kerb = track.kerb[near]!;
    strips.push({
      atM: fromM + at - step,
      index: near,
      road,
      ground,
      isBumpy: track.bumpy[near]! > 0,
      kerb,
      kerbStrip: kerb === 0 ? null : quad(kerb + Math.sign(kerb) * KERB_M, kerb),
    });
  }
  return strips.reverse();
}
