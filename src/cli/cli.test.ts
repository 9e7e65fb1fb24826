import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SIMULATED_RIGS, simulatedAxes } from '@/catalog/simulatedRigs';
import { PLAIN_TITLE, plainBase } from '@/core/force/forceSettings';
import { hangsOnClass } from '@/book/judge/ownCar';
import { knownOfACar } from '@/core/vehicle/carClass';
import { baseByHand } from '@/core/identify/baseByHand';
import { simulateSpins } from '@/core/identify/simulateSpins';
import { readings, TRUE_BASES, wholeEvening } from '@/core/identify/testing/trueBases';
import { programmeFor } from '@/core/axes/programme';
import type { AxisName } from '@/core/axes/axes';
import { simulateGuidedCapture } from '@/core/axes/simulateCapture';
import { readCaptureCsv, writeCaptureCsv } from '@/core/formats/captureCsv';
import { writeProfileJson } from '@/core/formats/profileJson';
import { filesForTests, pebble } from './testing/pebble';

const { folder, file } = filesForTests();

const hardware = { released: 2100, pressed: 61000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65535 };
const foot = { restTravel: 0.03, restWander: 0.002, pressTravel: 0.87, pressSpread: 0.016 };
const layer = { deadzone: 0.05, saturation: 0.95, curve: { kind: 'power', gamma: 1 } as const };

const EVERY_AXIS = [
  'min',
  'max',
  'centre',
  'inverted',
  'noise',
  'quantum',
  'bits',
  'deadzone',
  'deadzoneFrom',
  'saturation',
  'reachNow',
  'reachAfter',
  'roughSpots',
  'dropouts',
  'spikes',
  'driftPerMin',
  'warnings',
];
const STEERING = [
  'rotationDeg',
  'rotationSigmaDeg',
  'snappedDeg',
  'centreOffsetDeg',
  'returnHysteresisDeg',
  'degPerStep',
];

it('calibrate gives every field of every axis, from files that come back as they were written', () => {
  for (const rig of SIMULATED_RIGS)
    for (const [name, simulated] of Object.entries(simulatedAxes(rig, 'Noon shift'))) {
      const axis = name as AxisName;
      const { base, shifter } = rig.spec;
      const steps = programmeFor(axis, { rotationDeg: base.rotationDeg, ...(shifter ? { shifter } : {}) });
      const recording = simulateGuidedCapture({ axis, device: 'x', simulated, steps, rateHz: 125, seed: 2 });
      const csv = writeCaptureCsv(recording);
      expect(readCaptureCsv(csv)).toEqual({ ok: true, value: recording });
      const { code, json } = pebble('calibrate', file('a.capture.csv', csv), '--json');
      expect(code).toBe(0);
      const found = (json() as { axes: Record<string, Record<string, unknown>> }).axes[axis]!;
      for (const key of axis === 'steering' ? [...EVERY_AXIS, ...STEERING] : EVERY_AXIS)
        expect([rig.id, axis, key, found[key]]).not.toContain(undefined);
      if (axis === 'gear') expect(found['gates']).toHaveLength(steps.length - 1);
    }
});

describe('base', () => {
  const base = TRUE_BASES.belt;
  const recording = simulateSpins({
    ...wholeEvening(base, readings(base).gamepad, 2),
    flicks: 8,
    releases: 6,
  });
  const csv = writeCaptureCsv(recording);

  it('gives what the station shows, with every key, from files that note their scale', () => {
    const { code, json } = pebble('base', file('b.capture.csv', csv), '--json');
    expect(code).toBe(0);
    const { countsPerDegree = 0 } = recording;
    const shown = baseByHand([{ recording, countsPerDegree }]);
    expect(json()).toEqual(shown.ok && shown.value);
    expect(json()).toMatchObject({ swings: 14, springOverInertia: null, warnings: [] });
  });

  it('takes the scale from an option where the file has none, and refuses without either', () => {
    const bare = file('bare.capture.csv', csv.replace(/# counts_per_degree.*\n/, ''));
    const scale = String(recording.countsPerDegree);
    expect(pebble('base', bare, '--counts-per-degree', scale, '--json').code).toBe(0);
    const refused = pebble('base', bare, '--json');
    expect([refused.code, refused.err]).toEqual([1, expect.stringContaining('counts_per_degree')]);
    expect(pebble('base', bare, '--counts-per-degree', '0').code).toBe(2);
    expect(pebble('base').code).toBe(2);
  });
});

it('a car of which little is known is driven as usual for its class, in every command that takes a car', () => {
  const known = { format: 'pebble-road/car', version: 1, name: 'Loft Special', className: 'road' };
  const car = file('loft.car.json', JSON.stringify({ ...known, steeringRatio: 12, lockDeg: 600 }));
  const given = pebble('steering', '--base', '900', '--title', '900', '--car', car, '--json').json();
  expect(given['cars']).toMatchObject([{ lockDeg: 600, ratio: 12, bumpStopDeg: 600 }]);
  // What the station says of the class, for the same corner.
  const narrow = pebble(
    'steering',
    '--base',
    '900',
    '--title',
    '900',
    '--car',
    car,
    '--hairpin',
    '10',
    '--json',
  );
  expect(narrow.json()['overClass']).toEqual(
    hangsOnClass(
      {
        ...knownOfACar(() => null),
        name: 'Loft Special',
        className: 'road',
        steeringRatio: 12,
        lockDeg: 600,
      },
      10,
    ),
  );
  const other = file('no.car.json', JSON.stringify({ ...known, className: 'boat' }));
  const refused = pebble('steering', '--base', '900', '--title', '900', '--car', other, '--json');
  expect([refused.code, refused.err]).toEqual([1, expect.stringContaining('open-wheel')]);
});

it('response gives y, slopes and travel', () => {
  const doc = { format: 'pebble-road/response', version: 1, layers: [layer] };
  const path = file('r.json', JSON.stringify(doc));
  const { json } = pebble('response', path, '--at', '0,0.5,-1', '--json');
  const given = json() as { y: number[]; travel: number };
  [0, 0.5, -1].forEach((y, i) => expect(given.y[i]).toBeCloseTo(y, 12));
  expect(given.travel).toBeCloseTo(0.9, 12);
  expect((pebble('response', path, '--json').json() as { y: number[] }).y).toHaveLength(201);
});

const force = {
  title: {
    rateHz: 100,
    gain: 1.2,
    minForce: 0.02,
    trails: { mechanical: 1, pneumatic: 1 },
    understeerCue: 0,
    effects: { ...PLAIN_TITLE.effects, road: 0.5 },
    damper: 0,
    spring: 0,
  },
  base: plainBase(5.5),
  hardware: {
    ratedNm: 5.5,
    frictionNm: 0.2,
    delayS: 0.007,
    inertiaKgM2: 0.012,
    viscousNms: 0.005,
    topRadps: null,
    rotationDeg: 900,
  },
};

it('ride writes a log that measure reads back with the same laps, and its force is judged by clipping and handsoff', () => {
  const pedal = { hardware, calibration: { released: 2180, pressed: 60930 }, layers: [layer] };
  const profile = {
    format: 'pebble-road/profile',
    version: 1,
    name: 'p',
    rig: 'Tern',
    title: 'Causeway',
    car: 'Marl 850',
    driver: 'Late shift',
    pedals: { throttle: pedal, brake: pedal },
    foot,
    force,
  } as const;
  const profileFile = file(
    'p.json',
    writeProfileJson({ ...profile, pedals: { throttle: pedal, brake: pedal } }),
  );
  const out = join(folder, 'one.ride.csv');
  const rode = pebble(
    'ride',
    '--car',
    'marl-850',
    '--track=saltmarsh-loop',
    '--profile',
    profileFile,
    '--laps',
    '1',
    '--seed',
    '5',
    '--out',
    out,
    '--json',
  );
  expect(rode.code).toBe(0);
  const measured = pebble('measure', out, '--json').json() as { laps: unknown[] };
  expect(measured.laps).toEqual((rode.json() as { laps: unknown[] }).laps);
  expect(readFileSync(out, 'utf8')).toMatch(/^# source: simulated/);
  const own = join(folder, 'own.track.json');
  const { code, json } = pebble('road', out, '--name', 'The same again', '--out', own, '--json');
  expect(code).toBe(0);
  expect(json()).toMatchObject({ source: 'position', closed: true, laps: 1 });
  expect((json().lengthM as number) / 3402).toBeCloseTo(1, 1);
  // What was read can be driven: the file is one of ours.
  const again = pebble('feel', profileFile, '--car', 'marl-850', '--track', own, '--complaint', 'nowhere');
  expect(again.err).not.toMatch(/own.track.json/);
  expect(pebble('road', out, '--by', 'steering').err).toMatch(/Name the car/);
  expect(pebble('road', out, '--by', 'magic')).toMatchObject({ code: 2 });
  const clipped = pebble('clipping', out, '--json').json() as { p99: number; gainKeepEveryPeak: number };
  expect(clipped.p99).toBeGreaterThan(0.5);
  expect(clipped.gainKeepEveryPeak).toBeLessThan(2);
  expect(pebble('handsoff', profileFile, '--speed', '40', '--json').json()).toMatchObject({
    // 2° and 5° come home; let go at 15° an undamped belt saws.
    verdict: 'saws',
    leastDamper: expect.closeTo(0.03, 1) as number,
    halfTurn: { nowS: expect.closeTo(0.16, 1) as number },
    // 5.3 N·m beyond the friction turn 0.012 kg·m² a quarter in 84 ms, after the delay.
    crash: { torqueNm: 5.5, riseS: 0.007, quarterS: expect.closeTo(0.092, 2) as number },
    warnings: [],
  });
  expect(pebble('handsoff', profileFile)).toMatchObject({ code: 2 });
});

it('rotation gives gain, display, bump stop, believed base and hairpin; null where it was not asked', () => {
  const whole = pebble(
    ...'rotation --base 900 --title 900 --car 900 --shown 108 --at 90 --ratio 14 --hairpin 6 --wheelbase 2.6 --json'.split(
      ' ',
    ),
  );
  expect(whole.json()).toEqual({
    gain: 1,
    displayAt90: 90,
    oneToOne: true,
    overtravelDeg: 0,
    bumpStopDeg: 900,
    believedBaseDeg: 1080,
    hairpinHandDeg: 328.0016993224356,
    enough: true,
  });
  expect(
    pebble(...'rotation --base=900 --title=900 --car=360 --stretch --json'.split(' ')).json(),
  ).toMatchObject({
    gain: 0.4,
    believedBaseDeg: null,
    hairpinHandDeg: null,
    enough: null,
  });
  expect(pebble(...'rotation --base 900 --title 900'.split(' '))).toMatchObject({ code: 2 });
  expect(pebble(...'rotation --base 0 --title 900 --car 900'.split(' ')).err).toMatch(
    /--base takes a number above 0/,
  );
  expect(pebble(...'rotation --base 900 --title 900 --car 900 --shown 5'.split(' ')).err).toMatch(
    /go together/,
  );
});

it('clipping reads any log with a force channel, and says what is missing', () => {
  const rows = Array.from({ length: 200 }, (_, i) => `${i / 100},${i >= 50 && i < 100 ? 1.25 : 0.5}`);
  const path = file('c.ride.csv', ['t_s,ffb', ...rows].join('\n'));
  expect(pebble('clipping', path, '--json').json()).toMatchObject({
    clipShare: 0.25,
    sustainedShare: 0.25,
    events: [{ tS: 0.5, distanceM: null, lap: null, kind: 'sustained' }],
    gainKeepEveryPeak: 0.8,
    gainTradeBiggestHits: 0.79,
  });
  expect(pebble('clipping', path, '--gain', '0.7', '--json').json()).toMatchObject({ clipShare: 0 });
  expect(pebble('clipping', path, '--gain=0')).toMatchObject({ code: 2 });
  const without = pebble('clipping', file('d.ride.csv', 't_s,brake\n0,0\n1,0\n'));
  expect(without.code).toBe(1);
  expect(without.err).toMatch(/column "ffb": The log has no force channel/);
});

it.each([
  ['no command', [], 2, /no command/],
  ['an unknown command', ['fly'], 2, /unknown command "fly"/],
  ['an unknown option', ['calibrate', 'x', '--speed', '3'], 2, /unknown option --speed/],
  ['a missing value', ['response', 'x', '--at'], 2, /--at needs a value/],
  ['a file that is not there', ['calibrate', 'nowhere.csv'], 1, /cannot be read/],
  [
    'a car that is not known',
    ['ride', '--car', 'nobody', '--track', 'saltmarsh-loop', '--profile', 'p', '--out', 'o'],
    1,
    /Known are: marl-850/,
  ],
])('%s ends with the right code', (_, argv, code, message) => {
  const result = pebble(...argv);
  expect(result.code).toBe(code);
  expect(result.err).toMatch(message);
  expect(result.out).toBe('');
});

it('names file, row and column of a fault', () => {
  const path = file('bad.capture.csv', 't_s,phase,brake\n0,rest,1\n1,rest,two\n');
  const { code, err } = pebble('calibrate', path);
  expect(code).toBe(1);
  expect(err).toMatch(/bad\.capture\.csv: row 3, column "brake": "two" is not a number/);
});
