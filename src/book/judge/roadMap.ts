import { layTrack, type TrackSpec } from '@/core/vehicle/track';
import type { RoadMap } from '../model/rideTrace';

const MAP_EVERY = 12;
const maps = new WeakMap<TrackSpec, RoadMap>();

/** A road as a line, for a small map; laid once. */
export function roadMap(spec: TrackSpec): RoadMap {
  const known = maps.get(spec);
  if (known) return known;
  const track = layTrack(spec);
  const points: [number, number][] = [];
  for (let i = 0; i < track.x.length; i += MAP_EVERY) points.push([track.x[i]!, track.y[i]!]);
  const map = { name: spec.name, lengthM: track.lengthM, closed: spec.closed, points };
  maps.set(spec, map);
  return map;
}
