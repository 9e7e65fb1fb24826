import { readRideCsv } from '@/core/formats/rideCsv';
import { describeProblem } from '@/core/problem';
import type { RideLog } from '@/core/rides/rideLog';

/** Rides of the book that were read, by where they lie. */
const logs = new Map<string, Promise<RideLog>>();

/** A ride of the book, fetched once by the worker that needs it. */
export function logOf(url: string): Promise<RideLog> {
  const reading = logs.get(url) ?? readLog(url);
  logs.set(url, reading);
  reading.catch(() => logs.delete(url));
  return reading;
}

async function readLog(url: string): Promise<RideLog> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`the ride could not be read (${answer.status})`);
  const read = readRideCsv(await answer.text());
  if (!read.ok) throw new Error(read.problems.map(describeProblem).join(' '));
  return read.value;
}
