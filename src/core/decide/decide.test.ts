import fc from 'fast-check';
import type { MeasuredLap } from '../rides/measureRide';
import { MEASURES, type Measured } from '../rides/measures';
import { compareRides } from './compareRides';
import { holm } from './holm';

it('Holm never lowers a p and keeps their order', () => {
  expect(holm([0.01, 0.04, 0.03])).toEqual([0.03, 0.06, 0.06]);
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1 }), (ps) =>
      holm(ps).every((p, i) => p >= ps[i]! && p <= 1),
    ),
  );
});

/** Whatever else is measured, it does not tell here. */
const SAYS_NOTHING = Object.fromEntries(MEASURES.map(({ name }) => [name, null])) as unknown as Measured;

it('a difference is claimed only where the adjusted p allows it', () => {
  const lap = (timeS: number, drag: number, at: number): MeasuredLap => ({
    lap: 1,
    timeS,
    counted: true,
    why: null,
    measures: {
      ...SAYS_NOTHING,
      brakePeak: 0.9 + 0.001 * (at % 3),
      brakeSpread: 0.02 + 0.002 * ((7 * at) % 5),
      brakeDrag: drag,
      brakeReach: 1,
    },
  });
  const a = [115.4, 115.2, 115.5, 115.3, 115.6].map((t, i) => lap(t, 0.97, i));
  const b = [113.4, 113.5, 113.3, 113.6, 113.2].map((t, i) => lap(t, 0, i));
  const said = compareRides([
    { side: 'A', laps: a },
    { side: 'B', laps: b },
  ]);
  const byName = Object.fromEntries(said.map((c) => [c.name, c]));
  expect(byName['lapTimeS']).toMatchObject({ verdict: 'differs', nA: 5, nB: 5 });
  expect(byName['brakeDrag']!.verdict).toBe('differs');
  for (const name of ['brakePeak', 'brakeSpread', 'brakeReach'])
    expect(byName[name]!.verdict).toBe('no difference shown');
  const few = compareRides([
    { side: 'A', laps: a.slice(0, 2) },
    { side: 'B', laps: b.slice(0, 2) },
  ]);
  expect(few).toEqual([]);
});
