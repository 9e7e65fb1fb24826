import 'server-only';
import { medianOverDistance } from '@/core/rides/overDistance';
import type { Database } from '@/data/database';
import { loadRide } from '@/data/rides';
import { memo } from './memo';
import type { RideTrace } from '../model/rideTrace';

export function rideTrace(db: Database, id: string): Promise<RideTrace | null> {
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
      speed: Array.from(speed.values),
    };
  });
}
