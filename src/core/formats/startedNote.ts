import { z } from 'zod';
import { fail, succeed, type Outcome } from '../problem';
import { quoted } from '../text/line';

/** Dates as a program writes them, with their time zone: without it nobody knows when that was. */
const DATE = z.iso.datetime({ offset: true });

/**
 * When a file says that it began, ms since 1970; `null` where it does not say.
 * @param what it was: recorded, driven
 */
export function startedNote(notes: Record<string, string>, what: string): Outcome<number | null> {
  const said = notes['started'];
  if (said === undefined) return succeed(null);
  const read = DATE.safeParse(said.trim());
  if (read.success) return succeed(Date.parse(read.data));
  return fail({
    code: 'bad-date',
    message: `The notes say that it was ${what} at ${quoted(said)}.`,
    place: { row: 1 },
    remedy: 'A date is written 2026-01-05T19:03:00Z; leave it out where it is not known.',
  });
}
