import fc from 'fast-check';
import { SAMPLE_LOGS } from '@/catalog/sampleLogs';
import { analyseAllAxes } from '../axes/analyseAxis';
import { readForeignSheet } from '../import/foreignSheet';
import { importRide } from '../import/importRide';
import { matchColumns } from '../import/matchColumns';
import { analyseClipping } from '../force/clipping';
import { describeProblem, type Outcome } from '../problem';
import { measureRide } from '../rides/measureRide';
import { readBookJson } from './bookJson';
import { readCaptureCsv } from './captureCsv';
import { readCarJson } from './carJson';
import { readDialectJson, readSettingsJson } from './dialectJson';
import { readPackJson } from './packJson';
import { unpackColumns } from './packedColumns';
import { readProfileJson } from './profileJson';
import { readResponseJson } from './responseJson';
import { readRideCsv } from './rideCsv';
import { readTrackJson } from './trackJson';

// What is thrown at it is the same every time; another number tries others.
fc.configureGlobal({ seed: 7 });

/** Files as they come: cut off in a transfer, joined, opened and saved by something else, or not ours at all. */
const READERS: Record<string, (text: string) => Outcome<unknown>> = {
  book: readBookJson,
  capture: readCaptureCsv,
  car: readCarJson,
  dialect: readDialectJson,
  foreign: readForeignSheet,
  pack: readPackJson,
  profile: readProfileJson,
  response: readResponseJson,
  ride: readRideCsv,
  settings: readSettingsJson,
  track: readTrackJson,
};

const CAPTURE = [
  '# device: a pedal',
  '# range_min: 0',
  '# range_max: 4095',
  '# rate_hz: 100',
  't_s,phase,brake',
  ...Array.from({ length: 480 }, (_, i) => {
    const phase = i < 120 ? 'rest' : i < 300 ? 'sweep' : 'press';
    const travel = i < 120 ? 0 : Math.sin(((i - 120) / 60) * Math.PI) ** 2;
    return `${i / 100},${phase},${Math.round(200 + 3500 * travel + (i % 3))}`;
  }),
].join('\n');

/** Lock to lock three times, and four holds. */
const WHEEL = [
  't_s,phase,steering',
  ...Array.from({ length: 400 }, (_, i) => {
    const hold = [-90, 90, -360, 360][Math.floor((i - 280) / 30)] ?? 0;
    const phase = i < 60 ? 'rest' : i < 280 ? 'sweep' : `hold:${hold}`;
    const angle = i < 60 ? 0 : i < 280 ? 450 * Math.sin(((i - 60) / 220) * 6 * Math.PI) : hold;
    return `${i / 100},${phase},${Math.round(32768 + 70 * angle)}`;
  }),
].join('\n');

const RIDE = [
  '# source: logged',
  't_s,lap,distance_m,speed_mps,brake,ffb,surface',
  ...Array.from(
    { length: 200 },
    (_, i) => `${i / 20},${Math.floor(i / 60)},${(i % 60) * 1.5},30,${(i % 40) / 40},${Math.sin(i / 9)},road`,
  ),
].join('\n');

/** One fault, as editors, spreadsheets and transfers make them. */
const damage = fc.oneof(
  fc.double({ min: 0, max: 1, noNaN: true }).map((at) => (text: string) => text.slice(0, at * text.length)),
  fc.tuple(fc.nat(500), fc.nat(500)).map(
    ([from, count]) =>
      (text: string) =>
        text.split('\n').toSpliced(from, count).join('\n'),
  ),
  fc.nat(500).map((at) => (text: string) => {
    const lines = text.split('\n');
    return lines.toSpliced(at, 0, lines[at % lines.length]!).join('\n');
  }),
  fc
    .tuple(fc.nat(500), fc.nat(8), fc.constantFrom('', ' ', 'NaN', '1e999', '-', '1,5', '"', 'über', '1e18'))
    .map(([row, column, cell]) => (text: string) => {
      const lines = text.split('\n');
      const at = row % lines.length;
      lines[at] = lines[at]!.split(',').toSpliced(column, 1, cell).join(',');
      return lines.join('\n');
    }),
  fc.constantFrom<(text: string) => string>(
    (text) => text.replaceAll('\n', '\r\n'),
    (text) => `\uFEFF${text}`,
    (text) => text.replaceAll(',', ';'),
    (text) => `${text}\n\n\n`,
    (text) => text + text,
  ),
);
const damages = fc.array(damage, { minLength: 1, maxLength: 3 });
const damaged = (text: string, by: ((text: string) => string)[]) => by.reduce((sum, one) => one(sum), text);

/** Refused with what is wrong, where it is within the file, and what would be valid. */
function saysWhy(text: string, read: { ok: false; problems: Parameters<typeof describeProblem>[0][] }) {
  const lines = text.split(/\r\n|\n|\r/).length;
  expect(read.problems.length).toBeGreaterThan(0);
  for (const problem of read.problems) {
    expect(problem.message).toMatch(/\S.*[.:!]$/s);
    expect(problem.remedy).toMatch(/\S/);
    if (problem.place.row !== undefined) {
      expect(problem.place.row).toBeGreaterThanOrEqual(1);
      expect(problem.place.row).toBeLessThanOrEqual(lines + 1);
    }
    expect(describeProblem(problem)).not.toMatch(/\bundefined\b|\[object/);
  }
}

it.each(Object.entries(READERS))('%s: anything that is no such file is refused in words', (_, reader) => {
  const anything = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 200 }),
    fc
      .array(
        fc.constantFrom('#', ':', ',', ';', '\n', '"', '\t', '0', '1.5', 't_s', 'phase', 'brake', '{', '}'),
      )
      .map((all) => all.join('')),
    fc.json(),
    fc.constantFrom(
      '',
      '\uFEFF',
      '#',
      '# a',
      '\n',
      '"',
      'null',
      '[]',
      '{}',
      '0',
      '{"format":null}',
      '{"format":{}}',
    ),
  );
  fc.assert(
    fc.property(anything, (text) => {
      const read = reader(text);
      if (!read.ok) saysWhy(text, read);
      else expect(['foreign', 'ride', 'capture']).toContain(_);
    }),
    { numRuns: 150 },
  );
});

it('what is damaged below is sound as it stands', () => {
  for (const capture of [CAPTURE, WHEEL]) {
    const read = readCaptureCsv(capture);
    expect(read.ok && analyseAllAxes(read.value)).toMatchObject({
      ok: true,
      value: [{ axis: expect.any(String) }],
    });
  }
  const ride = readRideCsv(RIDE);
  expect(ride.ok && measureRide(ride.value).laps.length).toBeGreaterThan(1);
});

it('a damaged capture is refused with its place, or analysed without a number that is none', () => {
  fc.assert(
    fc.property(fc.constantFrom(CAPTURE, WHEEL), damages, (capture, by) => {
      const text = damaged(capture, by);
      const read = readCaptureCsv(text);
      if (!read.ok) return saysWhy(text, read);
      const analysed = analyseAllAxes(read.value);
      if (!analysed.ok) return saysWhy(text, analysed);
      expect(JSON.stringify(analysed.value, noNonsense)).not.toBe('');
    }),
    { numRuns: 150 },
  );
});

it('a damaged ride is refused with its place, or measured without a number that is none', () => {
  fc.assert(
    fc.property(damages, (by) => {
      const text = damaged(RIDE, by);
      const read = readRideCsv(text);
      if (!read.ok) return saysWhy(text, read);
      JSON.stringify(measureRide(read.value), noNonsense);
      const clipped = analyseClipping(read.value, { gain: 1, step: 0.01 });
      if (clipped.ok) JSON.stringify(clipped.value, noNonsense);
      else saysWhy(text, clipped);
    }),
    { numRuns: 150 },
  );
});

it('a damaged log of another program is refused, or taken in with time that rises and whole columns', () => {
  const texts = SAMPLE_LOGS.map((log) => log.text().split('\n').slice(0, 400).join('\n'));
  fc.assert(
    fc.property(fc.constantFrom(...texts), damages, (sample, by) => {
      const text = damaged(sample, by);
      const sheet = readForeignSheet(text);
      if (!sheet.ok) return saysWhy(text, sheet);
      const ride = importRide(sheet.value, matchColumns(sheet.value));
      if (!ride.ok) return saysWhy(text, ride);
      const { t_s: t, ...others } = ride.value.log.columns;
      expect(t.every((at, i) => Number.isFinite(at) && (i === 0 || at > t[i - 1]!))).toBe(true);
      for (const column of Object.values(others)) {
        expect(column.length).toBe(t.length);
        expect(column.every(Number.isFinite)).toBe(true);
      }
      JSON.stringify(measureRide(ride.value.log), noNonsense);
    }),
    { numRuns: 150 },
  );
});

it('columns that were packed by something else, or cut, are refused', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
      const read = unpackColumns(bytes);
      if (!read.ok) expect(read.problems[0]!.remedy).toMatch(/\S/);
    }),
  );
});

/** A JSON replacer that refuses what is no number: a `null` says "not known", a NaN only hides a fault. */
function noNonsense(key: string, value: unknown): unknown {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${key} is ${value}`);
  return ArrayBuffer.isView(value) ? Array.from(value as Float64Array) : value;
}
