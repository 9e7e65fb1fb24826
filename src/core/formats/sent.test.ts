import fc from 'fast-check';
import { z } from 'zod';
import { partFault, piecesOf, takeCapture } from '../axes/sentCapture';
import { takeRide } from '../rides/sentRide';
import { anyCapture, anyRide } from '../testing/anyRecording';
import { packColumns } from './packedColumns';
import { receivedColumns } from './receivedColumns';
import { tries } from '../testing/longRun';

const headOf = { id: 'a', status: 'draft', origin: 'guided', fromRow: 0 } as const;
const packedRide = (columns: Record<string, Float64Array>, more: object = {}) =>
  packColumns({ head: { trackId: 'saltmarsh-loop', seed: 1, settings: {}, notes: {}, ...more }, columns });

it('whatever a capture can be is taken as it was sent; with one value that is none it is refused, by place', () => {
  fc.assert(
    fc.property(
      anyCapture,
      fc.constantFrom(NaN, Infinity, -Infinity),
      fc.nat(),
      ({ axis, head, t, axes }, odd, at) => {
        const sent = { ...headOf, axis, capture: head };
        const taken = takeCapture(packColumns({ head: sent, columns: { t, ...axes } }));
        expect(taken).toMatchObject({ ok: true, value: { axis, part: { fromRow: 0, t, axes } } });
        if (t.length === 0) return;
        const row = at % t.length;
        const spoilt = { ...axes, [axis]: axes[axis]!.with(row, odd) };
        expect(takeCapture(packColumns({ head: sent, columns: { t, ...spoilt } }))).toMatchObject({
          ok: false,
          problems: [{ code: 'not-a-number', place: { column: axis, row: row + 1 } }],
        });
      },
    ),
    { numRuns: tries(20, 60) },
  );
});

it('the pieces of a part are parts, and together they are it', () => {
  fc.assert(
    fc.property(anyCapture, fc.integer({ min: 1, max: 9 }), ({ axis, head, t, axes }, rows) => {
      const pieces = [...piecesOf({ fromRow: 0, t, axes }, head, rows)];
      for (const piece of pieces) expect(partFault(piece.part, piece.head, axis)).toBeNull();
      expect(pieces.flatMap(({ part }) => [...part.t])).toEqual([...t]);
      expect(pieces.flatMap(({ part }) => [...part.axes[axis]!])).toEqual([...axes[axis]!]);
      let next = 0;
      for (const { part } of pieces) {
        expect(part.fromRow).toBe(next);
        next += part.t.length;
      }
      expect(pieces.at(-1)!.head).toEqual(head);
    }),
    { numRuns: tries(20, 60) },
  );
});

it('a part is judged by its own rows, and named by those of the whole', () => {
  const capture = {
    device: 'x',
    rangeMin: 0,
    rangeMax: 10,
    rateHz: 100,
    runs: [
      { label: 'rest', from: 0, to: 102 },
      { label: 'sweep', from: 102, to: 104 },
    ],
    guide: null,
  };
  const sent = { ...headOf, axis: 'brake', fromRow: 100, capture };
  const columns = { t: Float64Array.of(1, 2, 3, 4), brake: Float64Array.of(1, 2, 3, 4) };
  expect(takeCapture(packColumns({ head: sent, columns })).ok).toBe(true);
  const beyond = { ...columns, brake: Float64Array.of(1, 2, 11, 4) };
  expect(takeCapture(packColumns({ head: sent, columns: beyond }))).toMatchObject({
    problems: [{ code: 'out-of-range', place: { row: 103, column: 'brake' } }],
  });
  const short = { ...sent, capture: { ...capture, runs: capture.runs.slice(0, 1) } };
  expect(takeCapture(packColumns({ head: short, columns }))).toMatchObject({
    problems: [{ message: 'The phases cover 102 of 104 samples.' }],
  });
});

it('whatever a ride can be is taken as it was sent', () => {
  fc.assert(
    fc.property(anyRide, ({ columns, notes }) => {
      const packed = packedRide(columns as Record<string, Float64Array>, { notes });
      expect(takeRide(packed)).toMatchObject({ ok: true, value: { seed: 1, log: { columns, notes } } });
    }),
    { numRuns: tries(20, 60) },
  );
});

it.each([
  ['no time', { speed_mps: Float64Array.of(1) }, {}, 'bad-ride'],
  ['a column that nobody knows', { t_s: Float64Array.of(1), odd: Float64Array.of(1) }, {}, 'bad-ride'],
  ['nothing but time', { t_s: Float64Array.of(1) }, {}, 'no-channel'],
  [
    'a speed beyond all cars',
    { t_s: Float64Array.of(1), speed_mps: Float64Array.of(999) },
    {},
    'no-such-value',
  ],
  ['half a seed', { t_s: Float64Array.of(1), speed_mps: Float64Array.of(9) }, { seed: 0.5 }, 'invalid-value'],
])('a ride with %s is refused', (_, columns, more, code) => {
  const taken = takeRide(packedRide(columns as unknown as Record<string, Float64Array>, more));
  expect(taken.ok ? 'taken' : taken.problems[0]!.code).toBe(code);
});

it('of a head with many faults the first three are told', () => {
  const faulty = packColumns({ head: { a: 1, b: 1, c: 1, d: 1 }, columns: {} });
  const text = z.string();
  const taken = receivedColumns(faulty, z.object({ a: text, b: text, c: text, d: text }));
  expect(taken.ok ? [] : taken.problems).toHaveLength(3);
});
