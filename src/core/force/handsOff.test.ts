import { eachEffect } from './effects';
import { SMALL_CAR } from '../testing/smallWorld';
import { plainBase, PLAIN_TITLE, type BaseForce, type TitleForce } from './forceSettings';
import { calmReport } from './calmReport';
import { handsOff, isStill, restDeg, unrest, type ForceChain } from './handsOff';
import { greatestMinForce, leastDamper } from './handsOffSearch';

/** Bases of the three kinds, as they are built. */
const BASES = {
  gear: { ratedNm: 2.2, frictionNm: 0.22, delayS: 0.01, inertiaKgM2: 0.006, topRadps: 14 },
  belt: { ratedNm: 5.5, frictionNm: 0.2, delayS: 0.007, inertiaKgM2: 0.012, topRadps: 25 },
  direct: { ratedNm: 14, frictionNm: 0.08, delayS: 0.002, inertiaKgM2: 0.02, topRadps: 45 },
};
const ROLL_MPS = 5.5;
const FAST_MPS = 40;

function chain(
  kind: keyof typeof BASES,
  { rateHz = 360, ...title }: Partial<TitleForce> = {},
  base: Partial<BaseForce> = {},
): ForceChain {
  const hardware = { ...BASES[kind], viscousNms: 0.005, rotationDeg: 900 };
  return {
    car: SMALL_CAR,
    title: { ...PLAIN_TITLE, rateHz, ...title },
    base: { ...plainBase(hardware.ratedNm), ...base },
    hardware,
  };
}

it('gears hold the rim off centre at a slow roll, where it stands and does not creep', () => {
  const held = handsOff(chain('gear'), ROLL_MPS);
  expect(held).toMatchObject({ verdict: 'sticks', settleS: null });
  const last = held.trace.slice(-100);
  expect(Math.abs(last.at(-1)! - last[0]!)).toBeLessThan(1e-6);
  expect(leastDamper(chain('gear'), ROLL_MPS)).toMatchObject({
    damperNms: null,
    why: expect.stringMatching(/friction/) as string,
  });
});

it('gears stay still up to a minimum force of about 0.07 to 0.13, and further at less strength', () => {
  const full = greatestMinForce(chain('gear'), ROLL_MPS, 0.005)!;
  expect(full).toBeGreaterThanOrEqual(0.07);
  expect(full).toBeLessThanOrEqual(0.13);
  expect(greatestMinForce(chain('gear', {}, { strength: 0.5 }), ROLL_MPS, 0.005)!).toBeGreaterThan(
    full * 1.5,
  );
});

it('an undamped strong direct drive saws at speed, with its trace, and a little damper settles it', () => {
  const bare = handsOff(chain('direct'), FAST_MPS);
  expect(bare).toMatchObject({ verdict: 'saws', settleS: null });
  expect(bare.frequencyHz!).toBeGreaterThan(1);
  expect(bare.trace.some((deg) => Math.abs(deg) > 20)).toBe(true);
  const { damperNms } = leastDamper(chain('direct'), FAST_MPS);
  expect(damperNms!).toBeGreaterThan(0.015);
  expect(damperNms!).toBeLessThan(0.4);
  expect(handsOff(chain('direct', {}, { damperNms: damperNms! }), FAST_MPS).verdict).toBe('settles');
  expect(
    handsOff(chain('direct', {}, { damperNms: damperNms! * 0.8 }), FAST_MPS).settleS ?? 9,
  ).toBeGreaterThan(1);
});

it('a 60 Hz title wants more damper than a 360 Hz one', () => {
  const least = (rateHz: number) => leastDamper(chain('direct', { rateHz }), FAST_MPS).damperNms!;
  expect(least(60) / least(360)).toBeGreaterThan(1.3);
  expect(least(60) / least(360)).toBeLessThan(3);
});

it('a stronger spring wants more damper on a direct drive and helps gears that stick', () => {
  const spring = (kind: keyof typeof BASES, springNmPerRad: number) => chain(kind, {}, { springNmPerRad });
  expect(leastDamper(spring('direct', 6), FAST_MPS).damperNms!).toBeGreaterThan(
    leastDamper(spring('direct', 0), FAST_MPS).damperNms!,
  );
  expect(restDeg(spring('gear', 0), ROLL_MPS)).toBeGreaterThan(10);
  expect(restDeg(spring('gear', 2), ROLL_MPS)).toBeLessThan(2);
});

it('is judged by the worst of three releases: what 2° and 5° leave still, 15° sets going', () => {
  const small = handsOff(chain('belt', {}, { strength: 0.5 }), FAST_MPS);
  expect(small).toMatchObject({ verdict: 'saws', fromDeg: 15 });
  // One of three moves; damped enough none does.
  const moves = (damperNms: number) => unrest(chain('belt', {}, { strength: 0.5, damperNms }), FAST_MPS);
  expect(moves(0)).toBeGreaterThan(1);
  expect(moves(0)).toBeLessThan(2);
  expect(moves(0.3)).toBe(0);
});

it('the base’s top speed bounds how fast a let-go rim runs', () => {
  const top = (topRadps: number | null) => {
    const one = chain('direct', { gain: 5 }, { strength: 1 });
    const { trace } = handsOff({ ...one, hardware: { ...one.hardware, topRadps } }, FAST_MPS);
    return Math.max(...trace.slice(1).map((deg, i) => Math.abs(deg - trace[i]!))) / 0.01;
  };
  expect(top(8)).toBeLessThan((8 * 180) / Math.PI);
  expect(top(null)).toBeGreaterThan(top(8));
});

it('gives numbers, never infinity, from the most unstable chain', () => {
  const wild = handsOff(chain('direct', { gain: 20, minForce: 0.5, rateHz: 60 }), FAST_MPS);
  expect(wild.verdict).toBe('saws');
  expect(JSON.stringify(wild)).not.toMatch(/null,null/);
  for (const value of [wild.rmsDeg, ...wild.trace]) expect(Number.isFinite(value)).toBe(true);
});

it('what was let go once need not be let go again, and everything that matters is let go anew', () => {
  const car = { ...SMALL_CAR, massKg: 701 };
  const first = handsOff({ ...chain('belt'), car }, FAST_MPS);
  // The effects of a title do not reach a rim on a smooth road.
  const same = chain('belt', { effects: eachEffect(() => 1) });
  expect(handsOff({ ...same, car }, FAST_MPS).trace).toBe(first.trace);
  const others: ForceChain[] = [
    { ...chain('belt'), car: SMALL_CAR },
    { ...chain('belt', { gain: 0.9 }), car },
    { ...chain('belt', {}, { damperNms: 0.01 }), car },
    { ...chain('belt'), car, hardware: { ...chain('belt').hardware, frictionNm: 0.21 } },
  ];
  for (const other of others) expect(handsOff(other, FAST_MPS).trace).not.toEqual(first.trace);
  expect(handsOff({ ...chain('belt'), car }, ROLL_MPS).trace).not.toEqual(first.trace);
});

it('a rim is still where its worst release ends at rest', () => {
  for (const kind of ['gear', 'belt', 'direct'] as const)
    for (const minForce of [0, 0.1, 0.3])
      for (const damperNms of [0, 0.2]) {
        const one = chain(kind, { minForce }, { damperNms });
        const { verdict } = handsOff(one, ROLL_MPS);
        expect(isStill(one, ROLL_MPS)).toBe(verdict === 'settles' || verdict === 'sticks');
      }
});

it('a report says the same whether it is read or copied', () => {
  const report = calmReport(chain('belt'), 0.005, Infinity);
  expect(structuredClone(report)).toEqual({
    roll: handsOff(chain('belt'), ROLL_MPS),
    fast: handsOff(chain('belt'), FAST_MPS),
    least: report.least,
    stillMinForce: greatestMinForce(chain('belt'), ROLL_MPS, 0.005),
  });
});
