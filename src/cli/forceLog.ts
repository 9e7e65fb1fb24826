import { readRideCsv } from '@/core/formats/rideCsv';
import type { RideLog } from '@/core/rides/rideLog';
import { InputError, orRefuse, readText } from './files';

/** A ride log that has to hold the title's force. */
export function readForceLog(file: string): RideLog {
  const log = orRefuse(file, readRideCsv(readText(file)));
  if (log.columns.ffb) return log;
  throw new InputError(file, [
    {
      code: 'no-force',
      message: 'The log has no force channel.',
      place: { column: 'ffb' },
      remedy: 'Log the force of the title as "ffb".',
    },
  ]);
}
