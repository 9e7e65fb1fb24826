import { createHash } from 'node:crypto';
import { simulateCapture } from '@/core/axes/simulateCapture';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { writeRideCsv } from '@/core/formats/rideCsv';
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

describe('compare', () => {
  const LAP_M = 1000;
  interface Told {
    name: string;
    difference: number | null;
    verdict: string;
  }
  interface Compared {
    orderKnown: boolean;
    pairs: number | null;
    measures: Told[];
    crossCheck: unknown;
    warnings: string[];
  }

  /** A ride of laps that take so long each, 100 samples a second; every lap brakes once. */
  function ride(
    name: string,
    times: readonly number[],
    { brake = 0.9, notes = {} as Record<string, string> } = {},
  ) {
    const columns = {
      t_s: [] as number[],
      distance_m: [] as number[],
      lap: [] as number[],
      throttle: [] as number[],
      brake: [] as number[],
    };
    let start = 0;
    times.forEach((time, lap) => {
      const rows = Math.round(100 * time);
      for (let i = 0; i < rows; i++) {
        const isBraking = i > rows / 2 && i < rows / 2 + 400;
        columns.t_s.push(start + i / 100);
        columns.distance_m.push((i * LAP_M) / rows);
        columns.lap.push(lap);
        columns.throttle.push(isBraking ? 0 : 1);
        columns.brake.push(isBraking ? brake + 0.001 * ((7 * lap + rows) % 5) : 0);
      }
      start += rows / 100;
    });
    const typed = Object.entries(columns).map(([key, values]) => [key, Float64Array.from(values)]);
    return file(name, writeRideCsv({ columns: Object.fromEntries(typed) as { t_s: Float64Array }, notes }));
  }
  const started = (minute: number) => ({ started: `2026-01-05T19:${String(minute).padStart(2, '0')}:00Z` });
  const compared = (...args: string[]) => pebble('compare', '--json', ...args).json() as unknown as Compared;
  const of = ({ measures }: Compared, name: string) => measures.find((one) => one.name === name)!;

  const ABBA = () => ({
    a: [ride('a1.ride.csv', [90.42, 90.18]), ride('a2.ride.csv', [89.83, 89.66])],
    b: [ride('b1.ride.csv', [89.86, 89.74]), ride('b2.ride.csv', [89.55, 89.61])],
  });

  it('gives the reference values of four rides to five digits, by the order that is said', () => {
    const { a, b } = ABBA();
    const told = compared('--order', 'A1,B1,B2,A2', ...a, '--', ...b);
    expect(told).toMatchObject({ orderKnown: true, pairs: 2, crossCheck: null, warnings: [] });
    const time = of(told, 'lapTimeS') as unknown as Record<string, number> & {
      interval: number[];
      unit: unknown;
    };
    expect(time.unit).toBe('s');
    for (const [key, value] of Object.entries({
      meanA: 90.0225,
      meanB: 89.69,
      difference: -0.3325,
      se: 0.062903,
      p: 0.003229,
      largestLeft: 0.45925,
      smallestShown: 0.21954,
    }))
      expect(time[key]!).toBeCloseTo(value, 5);
    expect(time.interval[0]!).toBeCloseTo(-0.4942, 5);
    expect(time.interval[1]!).toBeCloseTo(-0.1708, 5);
    expect(time['drift']!).toBeCloseTo(-0.6711, 4);
    expect([time['df'], time['nA'], time['nB']]).toEqual([5, 4, 4]);
    expect(of(told, 'pathDeviation')).toMatchObject({ verdict: 'not enough', difference: null });
    expect(pebble('compare', ...a, '--', ...b).out).toContain('lapTimeS');
  });

  it('by notes of when they were driven, in whatever order they are given', () => {
    const names = ['a1', 'b1', 'b2', 'a2'];
    const times = [
      [90.42, 90.18],
      [89.86, 89.74],
      [89.55, 89.61],
      [89.83, 89.66],
    ];
    const [a1, b1, b2, a2] = names.map((name, i) =>
      ride(`${name}n.ride.csv`, times[i]!, { notes: started(5 * i) }),
    );
    const told = compared(a2!, a1!, '--', b2!, b1!);
    expect(told).toMatchObject({ orderKnown: true, pairs: 2 });
    expect(of(told, 'lapTimeS').difference!).toBeCloseTo(-0.3325, 5);
    const refused = pebble('compare', '--order', 'A1,B1,B2,A2', a2!, a1!, '--', b2!, b1!);
    expect(refused.code).toBe(1);
    expect(refused.err).toContain('--order has A1 before B1');
    const undated = ride('u.ride.csv', [90, 90]);
    const partly = compared(a1!, undated, '--', b1!, b2!);
    expect(partly).toMatchObject({ orderKnown: false, pairs: null });
    expect(partly.warnings[0]).toContain('Only some of the files');
  });

  it('without an order the trend is left out, which is said', () => {
    const { a, b } = ABBA();
    const told = compared(...a, '--', ...b);
    expect(told).toMatchObject({ orderKnown: false, pairs: null });
    expect(of(told, 'lapTimeS')).toMatchObject({ drift: null, df: 2 });
    expect(told.warnings.join()).toContain('order of driving is not known');
  });

  it('of rides against themselves nothing differs, and one ride a side cannot tell', () => {
    const a = ride('a.ride.csv', [90.1, 90.4, 90.2]);
    const b = ride('b.ride.csv', [90.1, 90.4, 90.2], { notes: { driver: 'Dawn shift' } });
    const told = compared(a, '--', b);
    for (const { difference, verdict } of told.measures.filter((one) => one.difference !== null)) {
      expect(difference).toBe(0);
      expect(verdict).toBe('no difference shown');
    }
    expect(told.warnings.join()).toContain('can’t tell the setting from the ride');
  });

  it('one ride that is given twice is refused: it would count as two that agree', () => {
    const a = ride('a.ride.csv', [90.1, 90.4, 90.2]);
    const twice = pebble('compare', a, '--', a);
    expect(twice.code).toBe(1);
    expect(twice.err).toMatch(/the same ride as .*a\.ride\.csv: given as A1 and as B1/);
  });

  it('refuses rides of unlike roads, cars, drivers and rigs by name of both', () => {
    const a = ride('a.ride.csv', [90, 91], { notes: { track: 'Saltmarsh Loop', car: 'Marl 850' } });
    for (const notes of [{ track: 'Millrace Ring' }, { track: 'Saltmarsh Loop', car: 'Dray 55' }]) {
      const refused = pebble('compare', a, '--', ride('b.ride.csv', [90, 91], { notes }));
      expect(refused.code).toBe(1);
      expect(refused.err).toMatch(/b\.ride\.csv.*a\.ride\.csv.*Only rides of one (track|car)/);
    }
    expect(pebble('compare', a, '--', ride('c.ride.csv', [90, 91])).code).toBe(0);
  });

  it('says what is wrong with how it is called', () => {
    const a = ride('a.ride.csv', [90, 91]);
    for (const wrong of [
      [a],
      ['--', a],
      ['--order', 'A1', a, '--', a],
      ['--order', 'A1,A1', a, '--', a],
      ['--order', 'A1,C1', a, '--', a],
    ])
      expect(pebble('compare', ...wrong).code).toBe(2);
    const refused = pebble('compare', a, '--', file('b.ride.csv', 'not a log'));
    expect(refused.code).toBe(1);
    expect(refused.err).toContain('b.ride.csv');
    const odd = ride('odd.ride.csv', [90, 91], { notes: { started: 'last winter' } });
    expect(pebble('compare', a, '--', odd).err).toContain('driven at "last winter"');
  });
});

describe('blind', () => {
  const document = (more: object) =>
    file(
      't.blind.json',
      JSON.stringify({ format: 'pebble-road/blind', version: 1, question: 'which', pairs: [], ...more }),
    );
  const PAIRS = [
    { order: 'AB', answer: 'second', sure: null },
    { order: 'BA', answer: 'first', sure: 'sure' },
  ];
  // printf 'AB,BA:m3' | sha256sum
  const COMMITMENT = createHash('sha256').update('AB,BA:m3').digest('hex');

  it('scores pair by pair and checks what was promised', () => {
    const told = pebble(
      'blind',
      document({ pairs: PAIRS, salt: 'm3', commitment: COMMITMENT }),
      '--json',
    ).json();
    expect(told).toEqual({
      pairs: 2,
      right: 2,
      wrong: 0,
      none: 0,
      score: 3.23,
      highest: 3.23,
      verdict: 'open',
      prefers: null,
      commitmentHolds: true,
    });
    const other = (more: object) =>
      pebble('blind', document({ pairs: PAIRS, ...more }), '--json').json()['commitmentHolds'];
    expect(other({})).toBeNull();
    expect(other({ salt: 'm4', commitment: COMMITMENT })).toBe(false);
    expect(other({ salt: 'm3', commitment: COMMITMENT, drawn: ['AB', 'AB'] })).toBe(false);
    const more = createHash('sha256').update('AB,BA,AB:m3').digest('hex');
    expect(other({ salt: 'm3', commitment: more, drawn: ['AB', 'BA', 'AB'] })).toBe(true);
    expect(pebble('blind', document({ pairs: PAIRS })).out).toContain('nothing was promised');
  });

  it.each([
    ['a question of its own', { question: 'why' }],
    ['an order of three', { pairs: [{ ...PAIRS[0], order: 'ABA' }] }],
    ['no confidence', { pairs: [{ order: 'AB', answer: 'first' }] }],
    ['a commitment in capitals', { salt: 'm3', commitment: COMMITMENT.toUpperCase() }],
    ['a commitment without its salt', { commitment: COMMITMENT }],
    ['another key', { note: 'x' }],
  ])('refuses %s', (_, more) => expect(pebble('blind', document(more)).code).toBe(1));

  it('takes one file', () => expect(pebble('blind').code).toBe(2));
});

describe('find', () => {
  const RIDES = [
    { values: { damper: 0 }, better: null, wants: { damper: 'more' } },
    { values: { damper: 100 }, better: 'before', wants: { damper: 'less' } },
  ];
  const DAMPER = { key: 'damper', min: 0, max: 100, step: 1 };
  const document = (more: object) =>
    file(
      's.find.json',
      JSON.stringify({
        format: 'pebble-road/find',
        version: 1,
        seed: 7,
        settings: [DAMPER],
        rides: RIDES,
        ...more,
      }),
    );

  it('says where the best lies and what to ride next', () => {
    const told = pebble('find', document({}), '--json').json();
    expect(told).toMatchObject({
      state: 'searching',
      best: { damper: { value: 31, low: 5, high: 67.5 } },
      isCheck: false,
    });
    expect(Object.keys(told)).toEqual(['state', 'next', 'best', 'jnd', 'evidence', 'isCheck']);
    expect(pebble('find', document({ rides: [] }), '--json').json()['next']).not.toBeNull();
    expect(pebble('find', document({})).out).toContain('ride next: damper');
  });

  it.each([
    ['no setting', { settings: [] }],
    ['four settings', { settings: ['a', 'b', 'c', 'd'].map((key) => ({ ...DAMPER, key })), rides: [] }],
    ['a setting twice', { settings: [DAMPER, DAMPER] }],
    ['a step larger than the range', { settings: [{ ...DAMPER, step: 200 }], rides: [] }],
    ['a range upside down', { settings: [{ ...DAMPER, min: 100, max: 0 }], rides: [] }],
    ['a value past the range', { rides: [{ ...RIDES[0], values: { damper: 101 } }] }],
    ['a value off the grid', { rides: [{ ...RIDES[0], values: { damper: 0.5 } }] }],
    ['a value that is missing', { rides: [{ ...RIDES[0], values: {} }] }],
    ['a setting that is none', { rides: [{ ...RIDES[0], wants: { gain: 'more' } }] }],
    ['a first ride that is better than the one before', { rides: [{ ...RIDES[0], better: 'this' }] }],
  ])('refuses %s', (_, more) => {
    const { code, err } = pebble('find', document(more));
    expect(code).toBe(1);
    expect(err).toContain('s.find.json');
  });

  it('takes one file', () => expect(pebble('find').code).toBe(2));
});
