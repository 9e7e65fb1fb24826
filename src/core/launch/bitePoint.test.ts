import { seededRandom, type Random } from '../numeric/random';
import type { RideLog } from '../rides/rideLog';
import { bitePoint } from './bitePoint';
import { itLong } from '../testing/longRun';

interface Truth {
  bite: number;
  p: number;
  /** Deceleration by rolling, m/s², and whether the log shows some. */
  drag?: number;
  isRollingSeen?: boolean;
  rates?: number[];
  pedalNoise?: number;
}

const DT = 0.001;
const LOG_EVERY = 10;
/** Acceleration of the clutch let go entirely, m/s². */
const FULL_MPS2 = 4.5;

/** Slow releases of a clutch that is known, at 100 Hz. */
function releases(random: Random, truth: Truth): RideLog {
  const { bite, p, drag = 0, isRollingSeen = true, pedalNoise = 0.001 } = truth;
  const rates = truth.rates ?? [0.06, 0.09, 0.12, 0.16, 0.2, 0.25];
  const rows: [number, number, number][] = [];
  let t = 0;
  let steps = 0;
  const log = (x: number, v: number) => {
    if (steps++ % LOG_EVERY === 0)
      rows.push([
        t,
        Math.max(0, x + pedalNoise * random.normal()),
        v < 1e-9 ? 0 : v + 0.002 * random.normal(),
      ]);
    t += DT;
  };
  for (const rate of rates) {
    // No two releases are made alike: the engine turns a little otherwise each time.
    const full = FULL_MPS2 * (1 + 0.03 * random.normal());
    let v = 0;
    for (let s = 0; s < 0.6; s += DT) log(1, 0);
    for (let x = 1; v < 1.2 && x > 0.1; x -= rate * DT) {
      const a = full * Math.max(0, (bite - x) / (bite - 0.2)) ** p;
      v = Math.max(0, v + (a - (v > 0 || a > drag ? drag : 0)) * DT);
      log(x, v);
    }
    for (let s = 0; isRollingSeen && s < 2; s += DT) log(1, (v = Math.max(0, v - drag * DT)));
    while (v > 0) log(1, (v = Math.max(0, v - 3 * DT)));
  }
  const column = (i: number) => Float64Array.from(rows, (row) => row[i]!);
  return { columns: { t_s: column(0), clutch: column(1), speed_mps: column(2) }, notes: {} };
}

const found = (log: RideLog, exponent?: number) => {
  const outcome = bitePoint(log, exponent);
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return outcome.value;
};

const SEEDS = 40;
function study(truth: (random: Random) => Truth, known: boolean) {
  let [covered, off, off2] = [0, 0, 0];
  for (let seed = 1; seed <= SEEDS; seed++) {
    const random = seededRandom(seed);
    const real = truth(random);
    const { bite, low, high } = found(releases(random, real), known ? real.p : undefined);
    if (low <= real.bite && real.bite <= high) covered++;
    off += (bite - real.bite) / SEEDS;
    off2 += (bite - real.bite) ** 2 / SEEDS;
  }
  return { covered: covered / SEEDS, bias: off, rms: Math.sqrt(off2) };
}

const anyClutch = (random: Random): Truth => ({
  bite: 0.55 + 0.15 * random.uniform(),
  p: 1.2 + 0.8 * random.uniform(),
});

it('with the power known: hardly off, and its 95 % interval covers', () => {
  const { covered, bias, rms } = study(anyClutch, true);
  expect(Math.abs(bias)).toBeLessThan(0.001);
  expect(rms).toBeLessThan(0.005);
  expect(covered).toBeGreaterThanOrEqual(0.88);
});

itLong('with the power unknown: the releases tell it, and the interval covers', () => {
  const { covered, bias } = study(anyClutch, false);
  expect(Math.abs(bias)).toBeLessThan(0.008);
  expect(covered).toBeGreaterThanOrEqual(0.88);
});

it('a car that slows by itself is told apart where the log shows it rolling', () => {
  const dragging = (random: Random): Truth => ({ ...anyClutch(random), drag: 0.12 });
  const { covered, bias } = study(dragging, true);
  expect(Math.abs(bias)).toBeLessThan(0.003);
  expect(covered).toBeGreaterThanOrEqual(0.85);
});

it('where nothing shows it rolling it is said that the bite may read low', () => {
  const log = releases(seededRandom(3), { bite: 0.62, p: 1.5, drag: 0.12, isRollingSeen: false });
  const { bite, warnings } = found(log, 1.5);
  expect(warnings.join()).toMatch(/0\.01 to 0\.03 low/);
  expect(bite).toBeLessThan(0.62);
  expect(bite).toBeGreaterThan(0.585);
});

describe('what is no log of slow releases is refused by name', () => {
  const code = (log: RideLog) => {
    const outcome = bitePoint(log);
    return outcome.ok ? null : outcome.problems[0]!.code;
  };
  const truth = { bite: 0.6, p: 1.5 };

  it.each([
    ['too-few-releases', { ...truth, rates: [0.1, 0.15, 0.2] }],
    ['too-few-releases', { ...truth, rates: [0.6, 0.7, 0.8, 0.9, 1] }],
  ] as const)('%s', (expected, given) => {
    expect(code(releases(seededRandom(1), { ...given, rates: [...given.rates] }))).toBe(expected);
  });

  it('no clutch, and a car that never stands', () => {
    const log = releases(seededRandom(1), truth);
    const without = { ...log.columns };
    delete without.clutch;
    expect(code({ ...log, columns: without })).toBe('no-column');
    const moving = { ...log.columns, speed_mps: log.columns.speed_mps!.map(() => 12) };
    expect(code({ ...log, columns: moving })).toBe('never-standing');
  });
});
