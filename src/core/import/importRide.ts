import { fail, succeed, type Outcome, type Problem } from '../problem';
import { IMPORTED } from '../rides/road';
import { RIDE_COLUMNS, type RideColumn, type RideLog } from '../rides/rideLog';
import { CHANNEL_UNITS, CHANNEL_WORDS, type Channel } from './rideUnits';
import type { ForeignSheet } from './foreignSheet';

/** What one column is taken for, confirmed: its channel, its unit, or left out. */
export interface ChosenColumn {
  channel: Channel | null;
  unit: string | null;
}

export interface ImportedRide {
  log: RideLog;
  /** Rows that were left out, and why. */
  left: string[];
  /** What cannot be told from this log. */
  missing: string[];
}

/** What each missing channel keeps from being told. */
const TOLD_BY: readonly [Channel, string][] = [
  ['ffb', 'clipping, headroom and gain'],
  ['lap', 'lap times'],
  ['distance_m', 'anything over distance'],
  ['brake', 'brake measures'],
  ['throttle', 'throttle smoothness'],
  ['steer_deg', 'steering measures'],
];

/** A hole in time longer than this is said. */
const GAP_S = 1;

/** A foreign log as a ride of ours: units converted, rows without a time left out, nothing guessed. */
export function importRide(sheet: ForeignSheet, chosen: readonly ChosenColumn[]): Outcome<ImportedRide> {
  const problems = wrongChoice(sheet, chosen);
  if (problems.length > 0) return fail(...problems);
  const at = chosen.findIndex(({ channel }) => channel === 't_s');
  const time = scaled(sheet, chosen, at);
  const rows = rowsInTime(time);
  if (rows.kept.length < 2)
    return fail({
      code: 'no-time',
      message: 'No two rows follow each other in time.',
      place: { column: sheet.columns[at]!.name },
      remedy: 'Choose the column that holds the time.',
    });
  const columns: RideLog['columns'] = {
    t_s: Float64Array.from(rows.kept, (i) => time[i]! - time[rows.kept[0]!]!),
  };
  const left = [...rows.left];
  chosen.forEach(({ channel }, k) => {
    if (channel === null || channel === 't_s') return;
    const values = scaled(sheet, chosen, k);
    const filled = holdLast(rows.kept, values);
    if (filled.empty > 0)
      left.push(`${CHANNEL_WORDS[channel]}: ${filled.empty} empty cells hold the value before`);
    columns[channel] = filled.values;
  });
  startAgainWithLaps(columns);
  const missing = TOLD_BY.filter(([channel]) => !columns[channel]).map(
    ([channel, what]) => `No ${CHANNEL_WORDS[channel]}: ${what} cannot be told.`,
  );
  return succeed({ log: { columns: inOrder(columns), notes: { source: IMPORTED } }, left, missing });
}

/** Distance that runs on over the laps starts again with each of them. */
function startAgainWithLaps({ lap, distance_m: distance }: RideLog['columns']): void {
  if (!lap || !distance) return;
  for (let i = 1; i < distance.length; i++) if (distance[i]! < distance[i - 1]!) return;
  let start = distance[0]!;
  for (let i = 0; i < distance.length; i++) {
    if (i > 0 && lap[i] !== lap[i - 1]) start = distance[i]!;
    distance[i] = distance[i]! - start;
  }
}

function wrongChoice(sheet: ForeignSheet, chosen: readonly ChosenColumn[]): Problem[] {
  const say = (column: string, code: string, message: string, remedy: string): Problem => ({
    code,
    message,
    place: { row: sheet.headerRow, column },
    remedy,
  });
  const problems: Problem[] = [];
  if (!chosen.some(({ channel }) => channel === 't_s'))
    problems.push(
      say(
        't_s',
        'no-time',
        'No column is taken for the time.',
        'Choose which one it is; without time nothing can be told.',
      ),
    );
  if (chosen.filter(({ channel }) => channel !== null).length < 2)
    problems.push(
      say('', 'no-channel', 'There is nothing beside the time.', 'Choose at least one more column.'),
    );
  chosen.forEach(({ channel, unit }, k) => {
    if (channel === null) return;
    const { name } = sheet.columns[k]!;
    if (chosen.findIndex((other) => other.channel === channel) < k)
      problems.push(
        say(
          name,
          'channel-twice',
          `Two columns are taken for the ${CHANNEL_WORDS[channel]}.`,
          'Keep one of them.',
        ),
      );
    if (!CHANNEL_UNITS[channel].some((one) => one.id === unit))
      problems.push(
        say(
          name,
          'no-unit',
          `The unit of the ${CHANNEL_WORDS[channel]} is not known.`,
          `Choose: ${CHANNEL_UNITS[channel].map((one) => one.name).join(', ')}.`,
        ),
      );
  });
  return problems;
}

function scaled(sheet: ForeignSheet, chosen: readonly ChosenColumn[], k: number): Float64Array {
  const { channel, unit } = chosen[k]!;
  const factor = CHANNEL_UNITS[channel!].find((one) => one.id === unit)!.factor;
  return sheet.columns[k]!.values.map((value) => value * factor);
}

/** Rows whose time goes on. Where the clock starts again the log is cut: only the longest stretch is one ride. */
function rowsInTime(time: Float64Array): { kept: number[]; left: string[] } {
  const stretches: number[][] = [[]];
  let lost = 0;
  let last = -Infinity;
  for (let i = 0; i < time.length; i++) {
    const t = time[i]!;
    if (!Number.isFinite(t)) {
      lost++;
      continue;
    }
    if (t < last) stretches.push([]);
    // The same moment twice is one row too many.
    if (t !== last || stretches.at(-1)!.length === 0) stretches.at(-1)!.push(i);
    last = t;
  }
  const kept = stretches.reduce((a, b) => (b.length > a.length ? b : a));
  const left: string[] = [];
  if (lost > 0) left.push(`${lost} rows without a time were left out`);
  if (stretches.length > 1)
    left.push(
      `The clock starts again ${times(stretches.length - 1)}: the longest stretch of ${kept.length} rows was taken`,
    );
  const gaps = kept.filter((row, k) => k > 0 && time[row]! - time[kept[k - 1]!]! > GAP_S).length;
  if (gaps > 0) left.push(`Time stands still for more than a second ${times(gaps)}`);
  return { kept, left };
}

const times = (n: number) => (n === 1 ? 'once' : `${n} times`);

function holdLast(rows: readonly number[], values: Float64Array): { values: Float64Array; empty: number } {
  let empty = 0;
  let last = rows.map((i) => values[i]!).find(Number.isFinite) ?? 0;
  const filled = Float64Array.from(rows, (i) => {
    const value = values[i]!;
    if (Number.isFinite(value)) last = value;
    else empty++;
    return last;
  });
  return { values: filled, empty };
}

function inOrder(columns: RideLog['columns']): RideLog['columns'] {
  const known = RIDE_COLUMNS.filter((name) => columns[name]).map((name): [RideColumn, Float64Array] => [
    name,
    columns[name]!,
  ]);
  return { ...Object.fromEntries(known), t_s: columns.t_s };
}
