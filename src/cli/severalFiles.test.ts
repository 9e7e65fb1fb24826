import { simulateCapture } from '@/core/axes/simulateCapture';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { seededRandom } from '@/core/numeric/random';
import { filesForTests, pebble } from './testing/pebble';

const { file } = filesForTests();

describe('history', () => {
  const WEEK_MS = 7 * 24 * 3600 * 1000;
  const START = Date.UTC(2026, 0, 5);
  const SIGMA = 20;
  const SPAN = 58_000;
  const hardware = { released: 2000, pressed: 2000 + SPAN, quantum: 1, rangeMin: 0, rangeMax: 65535 };
  const habits = { restTravel: 0.03, restWander: 0.002, pressTravel: 0.9, pressSpread: 0.016 };
  /** A brake whose noise grows by a tenth of what it first was every week. */
  const capture = (week: number) =>
    simulateCapture({
      axis: 'brake',
      device: 'pedals',
      hardware: { ...hardware, sigma: SIGMA * (1 + week / 10) },
      habits,
      rateHz: 125,
      seed: 7 + week,
    });
  const dated = (week: number) => writeCaptureCsv({ ...capture(week), startedMs: START + week * WEEK_MS });
  const weeks = (count: number) =>
    Array.from({ length: count }, (_, week) => file(`week-${week}.capture.csv`, dated(week)));

  it('finds the planted growth of the noise, and the week in which it outgrows the dead zone', () => {
    // Three sigmas pass the dead zone after twenty weeks.
    const deadzone = (3 * SIGMA * 3) / SPAN;
    const given = pebble('history', ...weeks(10), '--deadzone', String(deadzone), '--json').json();
    const { brake } = given['axes'] as Record<
      string,
      { points: unknown[]; noise: { perDay: number }; outgrows: { atMs: number } }
    >;
    expect(brake!.points).toHaveLength(10);
    expect((brake!.noise.perDay * 70 * SPAN) / SIGMA).toBeCloseTo(1, 0.5);
    expect((brake!.outgrows.atMs - START) / WEEK_MS).toBeGreaterThan(14);
    expect((brake!.outgrows.atMs - START) / WEEK_MS).toBeLessThan(28);
  });

  it('says the same in whichever order the files are named', () => {
    const files = weeks(6);
    const said = (names: string[]) => pebble('history', ...names, '--json').out;
    expect(said(files.toReversed())).toBe(said(files));
    expect(said([...files.slice(3), ...files.slice(0, 3)])).toBe(said(files));
  });

  it('tells no trend of a few captures, and says so', () => {
    expect(pebble('history', ...weeks(3)).out).toMatch(/noise +not told of fewer than 5 captures/);
  });

  it('refuses a capture that does not say when it was recorded, or says what is no date', () => {
    const undated = file('undated.capture.csv', writeCaptureCsv(capture(0)));
    const refused = pebble('history', undated);
    expect(refused.code).toBe(1);
    expect(refused.err).toMatch(/does not say when it was recorded.*# started:/);
    for (const odd of ['last winter', '2026-01-05', '2026-01-05T19:03', '']) {
      const text = dated(0).replace(/# started: .*/, `# started: ${odd}`);
      const { code, err } = pebble('history', file('odd.capture.csv', text));
      expect(code).toBe(1);
      expect(err).toContain(`recorded at "${odd}"`);
    }
    expect(pebble('history').code).toBe(2);
    for (const deadzone of ['1', '-0.1', 'much'])
      expect(pebble('history', undated, '--deadzone', deadzone).code).toBe(2);
  });
});

describe('verdict', () => {
  const LAP_M = 1000;
  /** Counted laps at 10 samples a second; every lap brakes once, as hard as it is told. */
  function ride(name: string, seed: number, { lapS = 60, brake = 0.9 } = {}) {
    const random = seededRandom(seed);
    const columns = { t_s: [0], distance_m: [0], lap: [0], throttle: [1], brake: [0] };
    for (let lap = 0, t = 0; lap < 6; lap++) {
      const rows = Math.round(10 * (lapS + 0.3 * random.normal()));
      const peak = brake + 0.005 * random.normal();
      for (let i = 1; i <= rows; i++) {
        t += 0.1;
        const isBraking = i > rows / 2 && i < rows / 2 + 40;
        columns.t_s.push(t);
        columns.distance_m.push(((i % rows) * LAP_M) / rows);
        columns.lap.push(i === rows ? lap + 1 : lap);
        columns.throttle.push(isBraking ? 0 : 1);
        columns.brake.push(isBraking ? peak : 0);
      }
    }
    const typed = Object.entries(columns).map(([key, values]) => [key, Float64Array.from(values)]);
    const log = { columns: Object.fromEntries(typed) as { t_s: Float64Array }, notes: {} };
    return file(name, writeRideCsv(log));
  }
  type Told = { name: string; difference: number; interval: [number, number]; verdict: string }[];
  const told = (...files: string[]) => pebble('verdict', ...files, '--json').json()['comparisons'] as Told;
  const of = (all: Told, name: string) => all.find((one) => one.name === name)!;

  it('of a ride against itself nothing differs', () => {
    const a = ride('a.ride.csv', 1);
    for (const { difference, verdict } of told(a, a)) {
      expect(difference).toBe(0);
      expect(verdict).toBe('no difference shown');
    }
  });

  it('finds what was planted, and is the other way round where B is A', () => {
    const [a, b] = [ride('a.ride.csv', 1), ride('b.ride.csv', 2, { lapS: 57, brake: 0.8 })];
    const there = told(a, b);
    expect(of(there, 'lapTimeS').difference).toBeCloseTo(-3, 0);
    expect(of(there, 'lapTimeS').verdict).toBe('differs');
    expect(pebble('verdict', a, b, '--order', 'CD').code).toBe(2);
    expect(of(there, 'brakePeak').difference).toBeCloseTo(-0.1, 1);
    const back = told(b, a);
    for (const { name, difference } of there) expect(of(back, name).difference).toBeCloseTo(-difference, 12);
  });

  it('says so where no measure has two laps on both sides', () => {
    const t_s = Float64Array.from({ length: 20 }, (_, i) => i);
    const short = file(
      'short.ride.csv',
      writeRideCsv({ columns: { t_s, brake: t_s.map(() => 0) }, notes: {} }),
    );
    expect(pebble('verdict', short, short).out).toContain('no measure has enough counted laps');
  });

  it('takes two rides, no more and no fewer, and names the one that it cannot read', () => {
    const a = ride('a.ride.csv', 1);
    expect(pebble('verdict', a).code).toBe(2);
    expect(pebble('verdict', a, a, a).code).toBe(2);
    const refused = pebble('verdict', a, file('b.ride.csv', 'not a log'));
    expect(refused.code).toBe(1);
    expect(refused.err).toContain('b.ride.csv');
  });
});
