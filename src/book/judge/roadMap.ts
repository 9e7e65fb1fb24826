import { trackById } from '@/catalog/find';
import { layTrack } from '@/core/vehicle/track';
import type { RoadMap } from '../model/rideTrace';

const MAP_EVERY = 12;
const maps = new Map<string, RoadMap>();

/** A road as a line, for a small map; laid once. */
export function roadMap(trackId: string): RoadMap {
  const known = maps.get(trackId);
  if (known) return known;
  const track = layTrack(trackById(trackId));
  const points: [number, number][] = [];
  for (let i = 0; i < track.x.length; i += MAP_EVERY) points.push([track.x[i]!, track.y[i]!]);
  const map = { name: track.spec.name, lengthM: track.lengthM, closed: track.spec.closed, points };
  maps.set(trackId, map);
  return map;
}
