import { seededRandom } from '../numeric/random';
import { longestRestDrift } from './drift';

const RATE = 100;
const SIGMA = 5;

/** A rest of some seconds that begins late, with noise, and creeps by so many counts a minute. */
function rest(perMin: number, seconds = 20, beginsS = 1000, sigma = SIGMA) {
  const random = seededRandom(4);
  const t = Float64Array.from({ length: seconds * RATE }, (_, i) => beginsS + i / RATE);
  const raw = t.map((at) => 500 + (perMin * (at - beginsS)) / 60 + sigma * random.normal());
  return { t, raw, runs: [{ label: 'rest', from: 0, to: t.length }] };
}
const drift = ({ t, raw, runs }: ReturnType<typeof rest>, sigma = SIGMA) =>
  longestRestDrift(t, raw, runs, sigma);

it('is found in counts a minute, up and down, whenever the rest begins', () => {
  expect(drift(rest(120))! / 120).toBeCloseTo(1, 1);
  expect(drift(rest(-120))! / -120).toBeCloseTo(1, 1);
  expect(drift(rest(120, 20, 0))! / 120).toBeCloseTo(1, 1);
});

it('is none where it is less than two sigma over the rest, however steady', () => {
  // 20 s of 24 counts a minute are 8 counts: more than two sigma of 3.9, less than two of 4.1.
  const steady = rest(24, 20, 1000, 0.1);
  expect(drift(steady, 3.9)).not.toBeNull();
  expect(drift(steady, 4.1)).toBeNull();
});

it('is none where it goes up and down, however far', () => {
  const { t, runs } = rest(0);
  expect(drift({ t, raw: t.map((at) => 500 + 100 * Math.sin(at)), runs })).toBeNull();
});

it('a clock that stands and a rest of few samples tell none', () => {
  const { t, raw, runs } = rest(120);
  expect(drift({ t: t.map(() => 7), raw, runs })).toBeNull();
  expect(drift({ t, raw, runs: [{ label: 'rest', from: 0, to: 23 }] })).toBeNull();
});

it('only the longest rest counts', () => {
  const { t, raw } = rest(120);
  const level = raw.map((value, i) => (i < 1200 ? 500 + (i % 3) : value));
  expect(
    drift({
      t,
      raw: level,
      runs: [
        { label: 'rest', from: 1200, to: 2000 },
        { label: 'rest', from: 0, to: 1200 },
      ],
    }),
  ).toBeNull();
});
