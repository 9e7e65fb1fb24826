import fc from 'fast-check';
import { SAMPLE_LOGS } from '@/catalog/sampleLogs';
import { analyseAllAxes } from '../axes/analyseAxis';
import { readForeignSheet } from '../import/foreignSheet';
import { importRide } from '../import/importRide';
import { matchColumns } from '../import/matchColumns';
import { analyseClipping } from '../force/clipping';
import { describeProblem } from '../problem';
import { anything, CAPTURE, damaged, damages, READERS, RIDE, WHEEL } from '../testing/damage';
import { measureRide } from '../rides/measureRide';
import { readCaptureCsv } from './captureCsv';
import { unpackColumns } from './packedColumns';
import { readRideCsv } from './rideCsv';
import { tries } from '../testing/longRun';

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
  fc.assert(
    fc.property(anything, (text) => {
      const read = reader(text);
      if (!read.ok) saysWhy(text, read);
      else expect(['foreign', 'ride', 'capture']).toContain(_);
    }),
    { numRuns: tries(40, 150) },
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
    { numRuns: tries(40, 150) },
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
    { numRuns: tries(40, 150) },
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
    { numRuns: tries(40, 150) },
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
