import fc from 'fast-check';
import { describeProblem } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { runsFromLabels, type Recording } from '../axes/recording';
import { readCaptureCsv, writeCaptureCsv } from './captureCsv';
import { readBookJson } from './bookJson';
import { packColumns, unpackColumns } from './packedColumns';
import { readResponseJson } from './responseJson';
import { readRideCsv, writeRideCsv } from './rideCsv';

const number = fc.double({ min: -1e5, max: 1e5, noNaN: true });
const travel = fc.double({ min: -0.2, max: 1.2, noNaN: true });
const rows = fc.integer({ min: 1, max: 40 });

function firstProblem(result: { ok: true } | { ok: false; problems: { code: string; place: object }[] }) {
  if (result.ok) throw new Error('this should have been refused');
  return result.problems[0]!;
}

describe('round trips are exact', () => {
  it('captures', () => {
    const recording = rows.chain((n) =>
      fc.record({
        steps: fc.array(fc.double({ min: 0.003, max: 0.006, noNaN: true }), { minLength: n, maxLength: n }),
        labels: fc.array(fc.constantFrom('rest', 'cover', 'sweep', 'press', 'idle', 'hold:-90', 'gate:2'), {
          minLength: n,
          maxLength: n,
        }),
        brake: fc.array(number, { minLength: n, maxLength: n }),
        device: fc.constantFrom('', 'a pedal, "quoted"'),
      }),
    );
    fc.assert(
      fc.property(recording, ({ steps, labels, brake, device }) => {
        let t = 0;
        const before: Recording = {
          t: Float64Array.from(steps, (s) => (t += s)),
          runs: runsFromLabels(labels),
          axes: { brake: Float64Array.from(brake) },
          device,
          rangeMin: -1e6,
          rangeMax: 1e6,
          rateHz: 250,
        };
        const after = readCaptureCsv(writeCaptureCsv(before));
        expect(after).toEqual({ ok: true, value: before });
      }),
    );
  });

  it('rides', () => {
    fc.assert(
      fc.property(fc.array(travel, { minLength: 1, maxLength: 30 }), (brake) => {
        const log: RideLog = {
          columns: {
            t_s: Float64Array.from(brake, (_, i) => i / 100),
            brake: Float64Array.from(brake),
            surface: Float64Array.from(brake, (_, i) => i % 4),
          },
          notes: { source: 'simulated' },
        };
        expect(readRideCsv(writeRideCsv(log))).toEqual({ ok: true, value: log });
      }),
    );
  });

  it('packed columns', () => {
    const columns = { t: Float64Array.of(1, 2, 3), raw: Float64Array.of(-0.1, 1e300, 4) };
    expect(unpackColumns(packColumns({ head: { a: 'ü' }, columns }))).toEqual({
      ok: true,
      value: { head: { a: 'ü' }, columns },
    });
    expect(unpackColumns(packColumns({ head: 1, columns }).slice(0, -3)).ok).toBe(false);
  });
});

describe('what is wrong is named with its row and column', () => {
  const head = '# range_min: 0\n# range_max: 100\nt_s,phase,brake\n';
  it.each([
    [
      'a word in place of a number',
      `${head}0,rest,5\n0.1,rest,NaN\n`,
      'not-a-number',
      { row: 5, column: 'brake' },
    ],
    ['an empty cell', `${head}0,rest,5\n0.1,rest,\n`, 'not-a-number', { row: 5, column: 'brake' }],
    [
      'time that runs backwards',
      `${head}1,rest,5\n0.5,rest,5\n`,
      'time-backwards',
      { row: 5, column: 't_s' },
    ],
    [
      'times in milliseconds',
      `# rate_hz: 250\n${head}0,rest,5\n4,rest,5\n8,rest,5\n`,
      'wrong-unit',
      { row: 6, column: 't_s' },
    ],
    ['a value out of range', `${head}1,rest,5\n2,rest,500\n`, 'out-of-range', { row: 5, column: 'brake' }],
    ['an unknown phase', `${head}1,rest,5\n2,nap,5\n`, 'unknown-phase', { row: 5, column: 'phase' }],
    ['an unknown column', 't_s,phase,brake,mood\n0,rest,1,2\n', 'unknown-column', { row: 1, column: 'mood' }],
    ['a missing column', 't_s,brake\n0,1\n', 'column-missing', { row: 1, column: 'phase' }],
    ['no axis', 't_s,phase\n0,rest\n', 'no-axis', { row: 1 }],
    ['an empty file', '', 'empty-file', { row: 1 }],
    ['a header alone', head, 'no-data', { row: 3 }],
  ])('%s', (_, text, code, place) => {
    expect(firstProblem(readCaptureCsv(text))).toMatchObject({ code, place });
  });

  it.each([
    ['an unknown key', { extra: 1 }, 'unknown-key', 'extra'],
    ['a newer version', { version: 2 }, 'newer-version', 'version'],
    ['another format', { format: 'other' }, 'wrong-format', 'format'],
    [
      'a curve that falls',
      {
        layers: [
          {
            deadzone: 0,
            saturation: 1,
            curve: {
              kind: 'points',
              points: [
                [0, 0],
                [0.5, 0.6],
                [0.7, 0.4],
                [1, 1],
              ],
            },
          },
        ],
      },
      'invalid-value',
      'layers[0].curve.points',
    ],
    [
      'too little travel',
      { layers: [{ deadzone: 0.5, saturation: 0.52, curve: { kind: 'power', gamma: 1 } }] },
      'invalid-value',
      'layers[0]',
    ],
  ])('%s in JSON', (_, over, code, column) => {
    const good = {
      format: 'pebble-road/response',
      version: 1,
      layers: [{ deadzone: 0, saturation: 1, curve: { kind: 'power', gamma: 1 } }],
    };
    expect(readResponseJson(JSON.stringify(good)).ok).toBe(true);
    expect(firstProblem(readResponseJson(JSON.stringify({ ...good, ...over })))).toMatchObject({
      code,
      place: { column },
    });
  });
});

it('a book of an earlier version is read as today’s: it asked nothing, or called its questions otherwise', () => {
  const lists = [
    'rigs',
    'combinations',
    'facts',
    'ticks',
    'proofs',
    'changes',
    'ownDialects',
    'captures',
    'rides',
  ];
  const body = { madeAtMs: 1, ...Object.fromEntries(lists.map((name) => [name, []])) };
  const read = (book: object) => {
    const found = readBookJson(JSON.stringify({ format: 'pebble-road/book', ...book }));
    return found.ok ? found.value : found.problems.map(describeProblem).join(' ');
  };
  expect(read({ version: 1, ...body })).toMatchObject({
    experiments: [],
    trials: [],
    answers: [],
    ratings: [],
  });
  const setting = { key: 'title/brake/deadzone', min: 0, max: 20, step: 1 };
  const asked = (question: string) => ({
    ...{
      id: 'q',
      atMs: 1,
      rigId: 'r',
      titleId: 't',
      carId: 'c',
      driver: 'Dawn shift',
      branch: '',
      trackId: 'x',
    },
    plan: {
      asked: { question, way: 'title', setting, back: 4, lapsPerRide: 1 },
      ...{ basis: {}, orders: null, commitment: null, salt: null, isLooked: false, isExtended: false },
    },
    ...{ state: 'over', decision: null },
  });
  const book = { ...body, trials: [], answers: [], ratings: [] };
  const explored = { experiments: [{ plan: { asked: { question: 'explore', setting, back: 4 } } }] };
  expect(read({ version: 2, ...book, experiments: [asked('what')] })).toMatchObject(explored);
  expect(read({ version: 3, ...book, experiments: [asked('explore')] })).toMatchObject(explored);
  expect(read({ version: 3, ...book, experiments: [asked('what')] })).toMatch(/experiments\[0\]/);
  for (const broken of [7, [7], [{ plan: 7 }], [{ plan: { asked: { question: ['tell'] } } }]])
    expect(read({ version: 2, ...book, experiments: broken })).toMatch(/experiments/);
});

it('when a capture began and how many counts a degree has come back, and only where they were known', () => {
  const t = Float64Array.from({ length: 30 }, (_, i) => i / 100);
  const plain = {
    t,
    runs: [{ label: 'rest', from: 0, to: 30 }],
    axes: { steering: t.map((_, i) => 100 + (i % 3)) },
    device: 'a wheel',
    rangeMin: 0,
    rangeMax: 1023,
    rateHz: 100,
  };
  const whole = { ...plain, startedMs: 1_700_000_000_000, countsPerDegree: 45.5 };
  for (const recording of [plain, whole])
    expect(readCaptureCsv(writeCaptureCsv(recording))).toEqual({ ok: true, value: recording });
});
