import fc from 'fast-check';
import { captureHeadSchema } from '../axes/checkCapture';
import { AXIS_NAMES, type AxisName } from '../axes/axes';
import { runsFromLabels } from '../axes/recording';
import { RIDE_LIMITS } from '../rides/checkRide';
import { RIDE_COLUMNS, type RideColumn, type RideLog } from '../rides/rideLog';

/** Texts as people, browsers and other programs write them: line ends, halves of characters, spaces, signs of formats. */
export const anyText = (maxLength = 30) =>
  fc.oneof(
    fc.string({ unit: 'binary', maxLength }),
    fc.constantFrom(
      '',
      ' ',
      'a\nb',
      '\r\n',
      '# x: y',
      '"quoted", twice',
      '\ud800',
      '\0',
      '=1+1',
      '\ufeff',
      '日本',
    ),
  );

export const anyId = fc.oneof(
  fc.uuid(),
  fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9._-]{0,30}$/),
  fc.constantFrom('a', 'CON', 'a..b', 'A-', `x${'y'.repeat(79)}`),
);

const between = (min: number, max: number) =>
  fc.oneof(
    fc.double({ min, max, noNaN: true }),
    fc.constantFrom(min, max, ...(min <= 0 && max >= 0 ? [0, -0] : [])),
  );

/** Times that never fall: seconds from anywhere, with steps that a clock can make. */
const anyClock = (length: number) =>
  fc
    .tuple(
      fc.constantFrom(0, 12.5, 1_795_000_000, -3),
      fc.array(fc.oneof(fc.constantFrom(0.001, 0.004, 0.01), between(0.0005, 0.05)), exactly(length)),
    )
    .map(([start, steps]) => {
      let t = start;
      // Now and then two samples share a moment, as coarse clocks give them.
      return Float64Array.from(steps, (step, i) => (t += i % 5 === 3 ? 0 : step));
    });
const exactly = (length: number) => ({ minLength: length, maxLength: length });
const LABELS = [
  'rest',
  'cover',
  'takeup',
  'sweep',
  'press',
  'idle',
  'hold:-90',
  'hold:22.5',
  'gate:-1',
  'gate:3',
];
const RANGES = [
  [0, 65_535],
  [-1, 1],
  [0, 1],
  [-32_768, 32_767],
  [0, 2 ** 32],
] as const;

/** Any capture that the schemas allow: its head, its samples, and the axis that it is of. */
export const anyCapture = fc
  .record({ axis: fc.constantFrom(...AXIS_NAMES), range: fc.constantFrom(...RANGES), length: fc.nat(50) })
  .chain(({ axis, range: [rangeMin, rangeMax], length }) => {
    const slack = rangeMax - rangeMin <= 4 ? 0.05 : 0;
    const own = between(rangeMin - slack, rangeMax + slack);
    const column = (name: AxisName) =>
      fc
        .array(name === axis ? own : fc.oneof(own, between(-1e9, 1e9)), exactly(length))
        .map((values): [AxisName, Float64Array] => [name, Float64Array.from(values)]);
    return fc
      .record({
        device: anyText(),
        rateHz: fc.oneof(fc.constant(null), between(0.1, 100_000)),
        labels: fc.array(fc.constantFrom(...LABELS), exactly(length)),
        guide: fc.oneof(
          fc.constant(null),
          fc.constant({ at: 1, peaks: [0.5, -0], remark: { kind: 'none' } }),
        ),
        t: anyClock(length),
        others: fc
          .subarray(AXIS_NAMES.filter((name) => name !== axis))
          .chain((names) => fc.tuple(...[axis, ...names].map(column))),
      })
      .map(({ labels, t, others, ...head }) => ({
        axis,
        head: captureHeadSchema.parse({ ...head, rangeMin, rangeMax, runs: runsFromLabels(labels) }),
        t,
        axes: Object.fromEntries(others) as Partial<Record<AxisName, Float64Array>>,
      }));
  });

/** Any ride that the schemas allow. */
export const anyRide: fc.Arbitrary<RideLog> = fc
  .record({
    length: fc.integer({ min: 1, max: 50 }),
    names: fc.subarray(
      RIDE_COLUMNS.filter((name) => name !== 't_s'),
      { minLength: 1 },
    ),
  })
  .chain(({ length, names }) => {
    const column = (name: Exclude<RideColumn, 't_s'>) => {
      const { min, max, whole } = RIDE_LIMITS[name];
      const value = whole ? fc.integer({ min, max }) : between(min, max);
      return fc
        .array(value, exactly(length))
        .map((values): [RideColumn, Float64Array] => [name, Float64Array.from(values)]);
    };
    return fc
      .record({
        t_s: anyClock(length),
        columns: fc.tuple(...names.map(column)),
        notes: fc.dictionary(fc.stringMatching(/^[a-z]\w{0,10}$/), fc.constantFrom('', 'x, y', 'a: b')),
      })
      .map(({ t_s, columns, notes }) => ({ columns: { ...Object.fromEntries(columns), t_s }, notes }));
  });
