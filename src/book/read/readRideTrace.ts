import 'server-only';
import { trackById } from '@/catalog/find';
import { layTrack } from '@/core/vehicle/track';
import { medianOverDistance } from '@/core/rides/overDistance';
import { database } from '@/data/book';
import { loadRide } from '@/data/rides';
import { memo } from './memo';
import type { RideTrace, RoadMap } from '../model/rideTrace';

const KMH = 3.6;

export async function rideTrace(id: string): Promise<RideTrace | null> {
  const db = await database();
  return memo(db, `trace:${id}`, async () => {
    const log = await loadRide(db, id);
    if (!log) return null;
    const [brake, throttle, speed] = (['brake', 'throttle', 'speed_mps'] as const).map((column) =>
      medianOverDistance(log, column),
    );
    if (!brake || !throttle || !speed) return null;
    return {
      stepM: brake.stepM,
      brake: Array.from(brake.values),
      throttle: Array.from(throttle.values),
      speed: Array.from(speed.values, (v) => v * KMH),
    };
  });
}

const MAP_EVERY = 12;

/** A road as a line, for a small map. */
export function roadMap(trackId: string): RoadMap {
  const spec = trackById(trackId);
  return memo(spec, 'map', () => {
    const track = layTrack(spec);
    const points: [number, number][] = [];
    for (let i = 0; i < track.x.length; i += MAP_EVERY) points.push([track.x[i]!, track.y[i]!]);
    return { name: track.spec.name, lengthM: track.lengthM, closed: track.spec.closed, points };
  });
}
