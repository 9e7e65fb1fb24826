import { z } from 'zod';
import { receivedColumns } from '../formats/receivedColumns';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { settingValuesSchema } from '../settings/setting';
import { idSchema } from '../text/line';
import { atMsSchema } from '../text/time';
import { rideFault, rideNotesSchema, seedSchema } from './checkRide';
import { RIDE_COLUMNS, type RideLog } from './rideLog';

const headSchema = z.strictObject({
  trackId: idSchema,
  seed: seedSchema,
  /** The settings that it was simulated with, so that a change made meanwhile is not counted to it. */
  settings: settingValuesSchema,
  notes: rideNotesSchema,
  /** It is a ride of a question that was asked: A and B of the trail stay where they are. */
  isAsked: z.boolean().optional(),
  /** When it was driven, where that is known and was not just now. */
  drivenAtMs: atMsSchema.optional(),
});

/** A ride as whoever drove it sends it. */
export type SentRide = Omit<z.output<typeof headSchema>, 'notes'> & { log: RideLog };

const NOT_WHOLE: Problem = {
  code: 'bad-ride',
  message: 'The ride is not whole.',
  place: {},
  remedy: 'Ride again.',
};

/** Takes a ride apart that was sent as packed columns, and judges it. */
export function takeRide(packed: Uint8Array): Outcome<SentRide> {
  const received = receivedColumns(packed, headSchema);
  if (!received.ok) return received;
  const { columns, head } = received.value;
  const t = columns['t_s'];
  const areKnown = Object.keys(columns).every((name) => (RIDE_COLUMNS as readonly string[]).includes(name));
  if (!t || !areKnown) return fail(NOT_WHOLE);
  const { notes, ...ride } = head;
  const log: RideLog = { columns: { ...columns, t_s: t }, notes };
  const fault = rideFault(log);
  return fault ? fail(fault) : succeed({ ...ride, log });
}
