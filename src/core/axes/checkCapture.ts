import { z } from 'zod';
import { fail, succeed, type Outcome, type Problem } from '../problem';
import { line, quoted } from '../text/line';
import { plainJson } from '../text/plainJson';
import { MOST_ROWS, timeFault } from '../rides/clock';
import type { AxisName } from './axes';
import { PHASE_LABEL, PHASE_LABELS_IN_WORDS, type PhaseRun, type Recording } from './recording';

/** Raw counts of anything that is plugged in: 32 bits and some room. */
const LARGEST_COUNT = 2 ** 40;
export const RATE_RANGE = [0.1, 100_000] as const;
const MOST_RUNS = 10_000;
/** A 32-bit sensor over a third of a turn, and some room. */
export const MOST_COUNTS_PER_DEGREE = 1e8;
const LEAST_COUNTS_PER_DEGREE = 1e-6;

export const isCountsPerDegree = (scale: number): boolean =>
  Math.abs(scale) >= LEAST_COUNTS_PER_DEGREE && Math.abs(scale) <= MOST_COUNTS_PER_DEGREE;

const count = z.number().min(-LARGEST_COUNT).max(LARGEST_COUNT);
const row = z.number().int().min(0).max(MOST_ROWS);

const runSchema = z.strictObject({
  label: z.string().regex(PHASE_LABEL, `it is none of ${PHASE_LABELS_IN_WORDS}`),
  from: row,
  to: row,
});

/** Neighbours of one label are one run: that is how a file of them is read. */
function joined(runs: PhaseRun[]): PhaseRun[] {
  const out: PhaseRun[] = [];
  for (const run of runs) {
    const last = out.at(-1);
    if (last && last.label === run.label && last.to === run.from) last.to = run.to;
    else out.push({ ...run });
  }
  return out;
}

/** A capture without its samples: what is sent along with them and kept beside them. */
export const captureHeadSchema = z
  .strictObject({
    device: line(320),
    rangeMin: count,
    rangeMax: count,
    rateHz: z.number().min(RATE_RANGE[0]).max(RATE_RANGE[1]).nullable(),
    runs: z
      .array(runSchema)
      .max(MOST_RUNS)
      .refine(
        (runs) => runs.every(({ from, to }, i) => from === (runs[i - 1]?.to ?? 0) && to > from),
        'every run begins where the one before it ends, the first at 0',
      )
      .overwrite(joined),
    /** The guide's memory, for a draft that is gone on with. Only the guide itself reads it. */
    guide: plainJson,
    /** Which window writes a draft; another one has other samples and sends all of its own. */
    writer: line(60).optional(),
  })
  .refine(({ rangeMin, rangeMax }) => rangeMax > rangeMin, {
    path: ['rangeMax'],
    message: 'the greatest count lies above the least',
  });
export type CaptureHead = z.output<typeof captureHeadSchema>;

/** A browser's scaled axis, −1…1 or 0…1, may overshoot its ends a little; counts of a device cannot. */
const SCALED_SPAN = 4;
const OVERSHOOT = 0.05;

/**
 * What is wrong with the samples of a capture; nothing where it is one. The one place that says what a capture is: the
 * book, the readers and a restore ask here.
 * @param ranged the axes that the range speaks of; the others lay beside them and have ranges of their own
 * @param rowOf where a sample stands for whoever reads the problem; sample 0 is row 1 by default
 */
export function captureFault(
  { t, axes, rangeMin, rangeMax, runs }: Pick<Recording, 't' | 'axes' | 'rangeMin' | 'rangeMax' | 'runs'>,
  ranged: readonly AxisName[] = Object.keys(axes) as AxisName[],
  rowOf: (sample: number) => number = (sample) => sample + 1,
): Problem | null {
  if (t.length > MOST_ROWS)
    return say('too-long', `It has ${t.length} rows.`, `At most ${MOST_ROWS} are kept.`);
  const clock = timeFault(t, rowOf);
  if (clock) return clock;
  const covered = runs.at(-1)?.to ?? 0;
  if (covered !== t.length)
    return say(
      'runs-do-not-cover',
      `The phases cover ${covered} of ${t.length} samples.`,
      'Every sample has a phase.',
    );
  const slack = rangeMax - rangeMin <= SCALED_SPAN ? OVERSHOOT : 0;
  for (const [name, column] of Object.entries(axes)) {
    const isRanged = ranged.includes(name as AxisName);
    const least = isRanged ? rangeMin - slack : -LARGEST_COUNT;
    const most = isRanged ? rangeMax + slack : LARGEST_COUNT;
    const at = column.findIndex((value) => !(value >= least && value <= most));
    if (column.length !== t.length)
      return say('ragged', 'An axis has another number of samples than the time.', 'Record it again.', name);
    if (at >= 0)
      return {
        ...say(
          'out-of-range',
          `${column[at]} lies outside the device's range.`,
          `The notes say ${rangeMin} to ${rangeMax}; correct the notes or the sample.`,
          name,
        ),
        place: { row: rowOf(at), column: name },
      };
  }
  return null;
}

const say = (code: string, message: string, remedy: string, column?: string): Problem => ({
  code,
  message,
  place: column ? { column } : {},
  remedy,
});

/** Reads a range that a file notes: both ends, finite, the second greater. */
export function notedRange(
  low: string | undefined,
  high: string | undefined,
): Outcome<[number, number] | null> {
  if (low === undefined && high === undefined) return succeed(null);
  const [least, most] = [Number(low ?? NaN), Number(high ?? NaN)];
  const isRange =
    low?.trim() !== '' &&
    high?.trim() !== '' &&
    Math.abs(least) <= LARGEST_COUNT &&
    Math.abs(most) <= LARGEST_COUNT &&
    most > least;
  return isRange
    ? succeed([least, most])
    : fail({
        code: 'bad-range',
        message: `The notes give a range from ${low === undefined ? 'nothing' : quoted(low)} to ${high === undefined ? 'nothing' : quoted(high)}.`,
        place: { row: 1 },
        remedy: 'range_min and range_max stand together and are numbers, the second greater.',
      });
}
