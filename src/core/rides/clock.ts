import { LEAST_STEP_S } from '../axes/recording';
import type { Problem } from '../problem';

/** An hour at 1 kHz, and some room: nothing longer is kept, read or judged as one recording. */
export const MOST_ROWS = 4_000_000;
/** Seconds since 1970 fit; what is beyond is no time. */
const LARGEST_CLOCK_S = 1e10;
/** A day and a night at the wheel, and as much again. */
const LONGEST_S = 172_800;
/** With fewer samples nobody can say that a clock stands. */
const LEAST_STEPS = 4;

/**
 * The first thing that is wrong with the time of a recording: it never falls, runs on, and stays within two days.
 * @param rowOf where a sample stands for whoever reads the problem
 */
export function timeFault(t: Float64Array, rowOf: (sample: number) => number): Problem | null {
  const say = (at: number, code: string, message: string, remedy: string): Problem => ({
    code,
    message,
    place: { row: rowOf(at), column: 't_s' },
    remedy,
  });
  let standing = 0;
  let stoodAt = 0;
  for (let i = 0; i < t.length; i++) {
    if (!(Math.abs(t[i]!) <= LARGEST_CLOCK_S))
      return say(i, 'no-such-time', `${t[i]} s is no time of day.`, 'Times are seconds, at most 1e10.');
    if (i === 0) continue;
    if (t[i]! < t[i - 1]!)
      return say(
        i,
        'time-backwards',
        `Time runs backwards, from ${t[i - 1]} s to ${t[i]} s.`,
        'Time may pause or be uneven but must never fall.',
      );
    if (t[i]! - t[0]! > LONGEST_S)
      return say(
        i,
        'too-long',
        `The recording goes on for ${Math.round((t[i]! - t[0]!) / 3600)} hours.`,
        `At most ${LONGEST_S / 3600} hours; is t_s in seconds?`,
      );
    if (t[i]! - t[i - 1]! < LEAST_STEP_S && standing++ === 0) stoodAt = i;
  }
  if (t.length > LEAST_STEPS && standing > (t.length - 1) / 2)
    return say(
      stoodAt,
      'time-stands',
      `Time stands still in ${standing} of ${t.length - 1} steps.`,
      'Write every sample with its own time, in seconds with enough decimals.',
    );
  return null;
}
