import { SAMPLE_LOGS } from '@/catalog/sampleLogs';
import { analyseClipping } from '../force/clipping';
import { measureRide } from '../rides/measureRide';
import { readForeignSheet, type ForeignSheet } from './foreignSheet';
import { importRide, type ChosenColumn } from './importRide';
import { matchColumns } from './matchColumns';

const sheet = (text: string): ForeignSheet => {
  const read = readForeignSheet(text);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
};
const sample = (id: string) => sheet(SAMPLE_LOGS.find((log) => log.id === id)!.text());
const taken = (s: ForeignSheet) => {
  const matches = matchColumns(s);
  return Object.fromEntries(
    s.columns.map(({ name }, i) => [name, `${matches[i]!.channel}/${matches[i]!.unit}`]),
  );
};
const rideOf = (s: ForeignSheet, chosen: readonly ChosenColumn[] = matchColumns(s)) => {
  const result = importRide(s, chosen);
  if (!result.ok) throw new Error(result.problems.map((p) => p.message).join(' '));
  return result.value;
};

it('reads commas, units in brackets, and everything is sure', () => {
  const s = sample('plain');
  expect([s.delimiter, s.decimal, s.headerRow, s.unitRow]).toEqual([',', '.', 1, null]);
  expect(taken(s)).toEqual({
    Time: 't_s/s',
    Lap: 'lap/count',
    Distance: 'distance_m/m',
    Speed: 'speed_mps/kmh',
    'Steering angle': 'steer_deg/deg',
    Throttle: 'throttle/percent',
    Brake: 'brake/percent',
    'Wheel force': 'ffb/full',
  });
  expect(matchColumns(s).every(({ confidence, doubt }) => confidence > 0.9 && doubt === '')).toBe(true);
  const { log, missing, left } = rideOf(s);
  expect([missing, left]).toEqual([[], []]);
  expect(log.columns.speed_mps![0]).toBeCloseTo(30, 3);
  expect(measureRide(log).laps.length).toBeGreaterThanOrEqual(3);
  const clipped = analyseClipping(log, { gain: 1, step: 0.01 });
  expect(clipped.ok && clipped.value.clipShare).toBeGreaterThan(0.05);
});

it('reads semicolons, decimal commas, a preamble and a row of units; distance starts again with the laps', () => {
  const s = sample('comma-decimals');
  expect([s.delimiter, s.decimal, s.headerRow, s.unitRow, s.firstRow]).toEqual([';', ',', 4, 5, 6]);
  expect(taken(s)).toMatchObject({
    elapsed: 't_s/s',
    'wheel angle': 'steer_deg/rad',
    'lateral acceleration': 'ay_mps2/g',
    gas: 'throttle/percent',
  });
  const { log, missing } = rideOf(s);
  expect(Math.max(...log.columns.steer_deg!)).toBeCloseTo(120, 1);
  expect(Math.max(...log.columns.ay_mps2!)).toBeCloseTo(9, 1);
  expect(Math.max(...log.columns.distance_m!)).toBeLessThan(902);
  expect(missing.join(' ')).toMatch(/clipping, headroom and gain cannot be told/);
});

it('never guesses the unit of a force, and says what is to be chosen', () => {
  const s = sample('tabs');
  const matches = matchColumns(s);
  const force = s.columns.findIndex(({ name }) => name === 'ffb');
  expect(matches[force]).toMatchObject({
    channel: 'ffb',
    unit: null,
    doubt: 'the file does not say its unit',
  });
  expect(taken(s)).toMatchObject({ timestamp: 't_s/ms' });
  const refused = importRide(s, matches);
  expect(refused.ok ? [] : refused.problems.map(({ place }) => place.column)).toEqual(['speed', 'ffb']);
  const chosen = matches.map((match, i) => ({
    ...match,
    unit: i === force ? 'percent' : match.channel === 'speed_mps' ? 'mph' : match.unit,
  }));
  const { log } = rideOf(s, chosen);
  expect(Math.max(...log.columns.ffb!.map(Math.abs))).toBeCloseTo(1.05, 1);
  expect(log.columns.t_s[0]).toBe(0);
});

it('cuts a log whose clock starts again, fills empty cells, and names gaps', () => {
  const { log, left } = rideOf(sample('resets'));
  expect(left.join('; ')).toMatch(/clock starts again once.*more than a second once.*empty cells/);
  const { t_s: t } = log.columns;
  expect(t.every((v, i) => i === 0 || v > t[i - 1]!)).toBe(true);
});

it.each([
  ['no time', SAMPLE_LOGS.find(({ id }) => id === 'no-time')!.text(), /No column is taken for the time/],
  ['no numbers', SAMPLE_LOGS.find(({ id }) => id === 'words')!.text(), /No rows of numbers/],
  ['nothing', '', /empty/],
  ['a picture', 'PNG\u0000\u0001', /not a text file/],
  ['numbers without names', '1,2,3\n2,3,4\n3,4,5\n', /No row names the columns/],
])('refuses %s and says so', (_, text, message) => {
  const read = readForeignSheet(text);
  const result = read.ok ? importRide(read.value, matchColumns(read.value)) : read;
  expect(result.ok ? '' : result.problems[0]!.message).toMatch(message);
});
