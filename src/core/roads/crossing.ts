import { layTrack, type TrackSpec } from '../vehicle/track';

/** Where a road crosses itself, as distances along it, m. */
export interface Crossing {
  firstM: number;
  thenM: number;
}

/** More points than these are not looked at: their pairs grow with the square. */
const MOST_POINTS = 1500;

/**
 * The first place where a road runs across itself: a bridge, or a number that is wrong; `null` where there is none.
 * O(n²) for n points of the road.
 */
export function crossingOf(spec: TrackSpec): Crossing | null {
  const track = layTrack(spec);
  const every = Math.max(1, Math.ceil(track.x.length / MOST_POINTS));
  const at: number[] = [];
  for (let i = 0; i < track.x.length; i += every) at.push(i);
  const side = (a: number, b: number, p: number) =>
    Math.sign(
      (track.x[b]! - track.x[a]!) * (track.y[p]! - track.y[a]!) -
        (track.y[b]! - track.y[a]!) * (track.x[p]! - track.x[a]!),
    );
  for (let i = 0; i + 1 < at.length; i++)
    for (let j = i + 2; j + 1 < at.length; j++) {
      const [a, b, c, d] = [at[i]!, at[i + 1]!, at[j]!, at[j + 1]!];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0)
        return { firstM: a * track.stepM, thenM: c * track.stepM };
    }
  return null;
}
