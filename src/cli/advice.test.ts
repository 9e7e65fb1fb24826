import { simulateCapture } from '@/core/axes/simulateCapture';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import { LINEARITY_FIELDS } from '@/core/testing/linearityFields';
import { START_FIELD } from '@/core/testing/startField';
import { filesForTests, pebble } from './testing/pebble';

const { file } = filesForTests();

const END_FIELD = {
  key: 'stop',
  label: 'Stop',
  min: 0,
  max: 100,
  step: 1,
  neutral: 100,
  maps: { kind: 'saturation-end', full: 100 },
} as const;
const settings = (name: string, values: Record<string, number>, fields: object[], axis = 'brake') =>
  file(
    name,
    JSON.stringify({
      format: 'pebble-road/settings',
      version: 1,
      dialect: { format: 'pebble-road/dialect', version: 1, name: 'Ferry Lane', axis, fields },
      values,
    }),
  );
const capture = file(
  'brake.capture.csv',
  writeCaptureCsv(
    simulateCapture({
      axis: 'brake',
      device: 'pedals',
      hardware: { released: 2000, pressed: 60_000, sigma: 20, quantum: 1, rangeMin: 0, rangeMax: 65535 },
      habits: { restTravel: 0.04, restWander: 0.002, pressTravel: 0.85, pressSpread: 0.015 },
      rateHz: 125,
      seed: 7,
    }),
  ),
);
const PEDAL = [START_FIELD, END_FIELD];

describe('advise', () => {
  type Advised = {
    axes: Record<
      string,
      { changes: { parameter: string; to: number }[]; brakeForce: unknown; rotation: unknown }
    >;
  };
  const advised = (...more: string[]) =>
    (pebble('advise', capture, ...more, '--json').json() as Advised).axes['brake']!;

  it('a foot that rests at 4 % and presses to 85 % gets a start above the one and a stop below the other', () => {
    const { changes } = advised('--settings', settings('plain.json', { start: 0, stop: 100 }, PEDAL));
    expect(changes.map(({ parameter }) => parameter)).toEqual(['deadzone', 'saturation']);
    expect(changes[0]!.to).toBeGreaterThanOrEqual(4);
    expect(changes[0]!.to).toBeLessThan(8);
    expect(changes[1]!.to).toBeLessThan(85);
    expect(changes[1]!.to).toBeGreaterThan(75);
  });

  it('is content with what it asked for', () => {
    const { changes } = advised('--settings', settings('plain.json', { start: 0, stop: 100 }, PEDAL));
    const done = { start: changes[0]!.to, stop: changes[1]!.to };
    expect(advised('--settings', settings('done.json', done, PEDAL)).changes).toEqual([]);
  });

  it('says nothing of a title that it was not told of, and speaks of a base that scales', () => {
    expect(advised()).toEqual({ changes: [], rotation: null, brakeForce: null });
    const { brakeForce } = advised('--scale', '10,100,5,80');
    expect(brakeForce).toEqual({ forFull: 65, withMargin: 60 });
    expect(pebble('advise', capture, '--scale', '10,100,5,80').out).toMatch(/brake force 80 → 60/);
  });

  it.each(['10,100,5', '100,10,5,50', '10,100,0,50', '10,100,5,500', '10,,5,50', 'a,b,c,d'])(
    'refuses a scale that is none (%s)',
    (scale) => expect(pebble('advise', capture, '--scale', scale).code).toBe(2),
  );
});

describe('wean', () => {
  const { amount } = LINEARITY_FIELDS;
  const calm = settings('calm.json', { linearity: 60 }, [amount], 'throttle');

  it('goes back to linear in steps a week apart', () => {
    const { code, out } = pebble('wean', calm, '--from', '2026-01-05');
    expect(code).toBe(0);
    const rows = out.split('\n');
    expect(rows.map((row) => row.slice(0, 10))).toEqual([
      '2026-01-12',
      '2026-01-19',
      '2026-01-26',
      '2026-02-02',
    ]);
    expect(rows.at(-1)).toMatch(/Linearity 0$/);
  });

  it('refuses what is linear already, what has no curve, and a day that is none', () => {
    const linear = settings('linear.json', { linearity: 0 }, [amount], 'throttle');
    expect(pebble('wean', linear, '--from', '2026-01-05')).toMatchObject({
      code: 1,
      err: /no curve to wean/,
    });
    const plain = settings('none.json', { start: 0 }, [START_FIELD]);
    expect(pebble('wean', plain, '--from', '2026-01-05').code).toBe(1);
    for (const day of ['soon', '2026-13-40', '5.1.2026'])
      expect(pebble('wean', calm, '--from', day).code).toBe(2);
    expect(pebble('wean', calm).code).toBe(2);
  });
});

describe('centre and steering', () => {
  const wheel = settings('wheel.json', { linearity: 0 }, [LINEARITY_FIELDS.amount], 'steering');
  const where = ['--car', 'marl-850', '--track', 'saltmarsh-loop'];
  const centre = (...more: string[]) =>
    pebble('centre', wheel, ...where, '--base', '90,1080,10,900', ...more);
  interface Found {
    now: { centre: number };
    found: { centre: number; baseDeg: number; hairpinDeg: number } | null;
  }

  it('half as lively comes near to half, and the hairpin stays within the turn', () => {
    const { now, found } = centre('--share', '50', '--json').json() as unknown as Found;
    expect(found!.centre / now.centre).toBeCloseTo(0.5, 1);
    expect(found!.hairpinDeg).toBeLessThan(found!.baseDeg / 2);
    expect(centre('--share', '50').out).toMatch(/^ +base +linearity/);
  });

  it('a car answers to the hands twice as much where the base turns half as far for the same title', () => {
    const of = (deg: number) => {
      const { cars } = pebble('steering', `--base=${deg}`, '--title=900', '--car=marl-850', '--json').json();
      return (cars as { lateral: Record<string, number> }[])[0]!.lateral;
    };
    for (const speed of ['20', '30', '40', '60']) expect(of(450)[speed]! / of(900)[speed]!).toBeCloseTo(2, 9);
  });

  it('ask for what they need, and name what they do not know', () => {
    expect(pebble('centre', wheel, ...where, '--share', '50').code).toBe(2);
    expect(centre().code).toBe(2);
    expect(pebble('steering', '--base', '900').code).toBe(2);
    expect(pebble('steering', '--base=900', '--title=900', '--car=nobody')).toMatchObject({
      code: 1,
      err: /Known are: marl-850/,
    });
    const blunt = settings('blunt.json', { start: 0 }, [START_FIELD], 'steering');
    expect(pebble('centre', blunt, ...where, '--base', '90,1080,10,900', '--share', '50').code).toBe(1);
  });
});

it('cars asks for others that there are', () => {
  expect(pebble('cars', 'p.profile.json', '--car', 'marl-850', '--track', 'saltmarsh-loop').code).toBe(2);
  expect(pebble('cars', 'p.profile.json', '--others', 'nobody')).toMatchObject({
    code: 1,
    err: /no car of this name/,
  });
  expect(pebble('cars', 'p.profile.json', '--others', 'marl-850', '--by', 'colour').code).toBe(2);
});
