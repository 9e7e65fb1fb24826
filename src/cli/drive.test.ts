import { readFileSync } from 'node:fs';
import { carById } from '@/catalog/find';
import { writeProfileJson } from '@/core/formats/profileJson';
import { readRideCsv, writeRideCsv } from '@/core/formats/rideCsv';
import type { RideLog } from '@/core/rides/rideLog';
import { filesForTests, pebble } from './testing/pebble';

const { file, folder } = filesForTests();

const hardware = { released: 2100, pressed: 61000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65535 };
const pedal = { hardware, calibration: { released: 2180, pressed: 60930 }, layers: [] };
const profile = writeProfileJson({
  ...{ name: 'Plain', rig: 'Tern', title: 'Causeway', car: 'Marl 850', driver: 'Late shift' },
  pedals: { throttle: pedal, brake: pedal },
  foot: { restTravel: 0, restWander: 0.001, pressTravel: 0.9, pressSpread: 0.01 },
});
const marl = { format: 'pebble-road/car', version: 1, ...carById('marl-850') };

it('launch gives a hold on the safe side of the exact best, and the holds around it', () => {
  const asked = ['launch', '--car', 'marl-850', '--profile', file('p.profile.json', profile), '--seed', '3'];
  const { code, json } = pebble(...asked, '--rpm', '3400', '--json');
  expect(code).toBe(0);
  const given = json() as unknown as {
    recommended: number;
    exactBest: number;
    closedFormHold: number;
    holds: object[];
  };
  expect(given).toMatchObject({ rpm: 3400 });
  expect(given.recommended).toBeGreaterThanOrEqual(given.exactBest);
  expect(Math.abs(given.exactBest - given.closedFormHold)).toBeLessThan(0.04);
  for (const hold of given.holds)
    expect(Object.keys(hold)).toEqual(
      expect.arrayContaining(['hold', 't60Mean', 't60Sd', 't60P80', 'spinM', 'bog', 'clutchKj']),
    );
  expect(pebble(...asked, '--rpm', '90').code).toBe(2);
});

it('a car with part of a driveline is refused by what is missing; without any, launch says so and ride goes on', () => {
  const car = (without: readonly string[], over: object = {}) =>
    file(
      'x.car.json',
      JSON.stringify({
        ...Object.fromEntries(Object.entries(marl).filter(([key]) => !without.includes(key))),
        ...over,
      }),
    );
  const launch = (named: string) =>
    pebble('launch', '--car', named, '--profile', file('p.profile.json', profile), '--seed', '1', '--json');
  const half = launch(car(['clutch']));
  expect([half.code, half.err]).toEqual([1, expect.stringMatching(/clutch/)]);
  const { engine } = marl;
  const broken = launch(car([], { engine: { ...engine, limitRpm: 2000 } }));
  expect([broken.code, broken.err]).toEqual([1, expect.stringMatching(/engine.*rise/)]);
  const noGear = launch(car([], { gears: { ...marl.gears, ratios: [3, 0] } }));
  expect([noGear.code, noGear.err]).toEqual([1, expect.stringMatching(/ratios/)]);
  const none = launch(car(['engine', 'gears', 'clutch', 'differential', 'drive']));
  expect([none.code, none.err]).toEqual([1, expect.stringMatching(/no engine, no gears/)]);
});

it('a ride is logged with its gears, wheels and engine, and comes back as it was written', () => {
  const out = `${folder}/a.ride.csv`;
  const asked = ['ride', '--car', 'marl-850', '--track', 'millrace-ring', '--laps', '1', '--seed', '2'];
  expect(pebble(...asked, '--profile', file('p.profile.json', profile), '--out', out).code).toBe(0);
  const log = readRideCsv(readFileSync(out, 'utf8'));
  if (!log.ok) throw new Error('unread');
  const { gear, engine_rpm: rpm, wheel_rear_mps: rear } = log.value.columns;
  expect(Math.max(...gear!)).toBe(4);
  expect(Math.max(...rpm!)).toBeLessThan(6800);
  expect(rear!.length).toBe(gear!.length);
});

it('bite reads slow releases, and refuses a ride without a clutch by that column’s name', () => {
  const t = Float64Array.from({ length: 6000 }, (_, i) => i / 100);
  // Six times in ten seconds: pressed for two, then let go at 0.1/s; it bites at 0.6.
  const travel = t.map((s) => (s % 10 < 2 ? 1 : Math.max(0, 1 - 0.1 * ((s % 10) - 2))));
  const speed = travel.map((x) => (x < 0.6 ? ((0.6 - x) / 0.1) ** 2.5 * 0.2 : 0));
  const log: RideLog = { columns: { t_s: t, clutch: travel, speed_mps: speed }, notes: {} };
  const { code, json } = pebble('bite', file('a.ride.csv', writeRideCsv(log)), '--exponent', '1.5', '--json');
  expect(code).toBe(0);
  expect((json() as { bite: number }).bite).toBeCloseTo(0.6, 2);
  const columns = { ...log.columns };
  delete columns.clutch;
  const without = pebble('bite', file('b.ride.csv', writeRideCsv({ ...log, columns })));
  expect([without.code, without.err]).toEqual([1, expect.stringMatching(/"clutch"/)]);
});

it('drill measures by name, and refuses what is no drill, or no attempt of it', () => {
  const t = Float64Array.from({ length: 3000 }, (_, i) => i / 100);
  const log: RideLog = {
    columns: {
      t_s: t,
      x_m: t.map((s) => 25 * Math.cos(s / 2)),
      y_m: t.map((s) => 25 * Math.sin(s / 2)),
      throttle: t.map(() => 0.4),
      slip_rear_rad: t.map(() => 0.1),
    },
    notes: {},
  };
  const csv = file('c.ride.csv', writeRideCsv(log));
  const { code, json } = pebble('drill', csv, '--drill', 'circle', '--centre', '0,0', '--json');
  expect(code).toBe(0);
  expect(json()).toMatchObject({ drill: 'circle', measures: { radiusM: expect.closeTo(25, 1) as number } });
  expect(pebble('drill', csv, '--drill', 'somersault').code).toBe(2);
  expect(pebble('drill', csv, '--drill', 'weave').err).toMatch(/"steer_deg"/);
});
