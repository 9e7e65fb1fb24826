import fc from 'fast-check';
import { carById, trackById } from '@/catalog/find';
import { NEUTRAL_LAYER } from '../response/layer';
import { completeRide } from '../vehicle/simulateRide';
import { seededRandom } from '../numeric/random';
import type { RideColumn, RideLog } from '../rides/rideLog';
import { DRILL_NAMES, DRILLS, measureDrill, type DrillName } from './measureDrill';
import type { Measures } from './drill';
import { tries } from '../testing/longRun';

fc.configureGlobal({ seed: 5 });

const RATE = 100;
const DEG = 180 / Math.PI;

/** A log of so many seconds out of what each column is at a time. */
function logOf(seconds: number, of: Partial<Record<RideColumn, (t: number) => number>>, notes = {}): RideLog {
  const t = Float64Array.from({ length: Math.round(seconds * RATE) }, (_, i) => i / RATE);
  const columns = Object.fromEntries(Object.entries(of).map(([name, f]) => [name, t.map((s) => f(s))]));
  return { columns: { ...columns, t_s: t }, notes };
}

function measured(name: DrillName, log: RideLog, options = {}): Measures {
  const outcome = measureDrill(name, log, options);
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  expect(Object.keys(outcome.value.measures)).toEqual(DRILLS[name].names);
  return outcome.value.measures;
}
const refusal = (name: DrillName, log: RideLog) => {
  const outcome = measureDrill(name, log);
  return outcome.ok ? null : outcome.problems[0]!;
};

describe('circle', () => {
  const around = (r: number, wobble: number, foot: (t: number) => number, way = 1) =>
    logOf(60, {
      x_m: (t) => 40 + (r + wobble * Math.sin(2 * t)) * Math.cos((way * 12 * t) / r),
      y_m: (t) => -7 + (r + wobble * Math.sin(2 * t)) * Math.sin((way * 12 * t) / r),
      throttle: foot,
      slip_rear_rad: (t) => (3 / DEG) * Math.sin(t),
      speed_mps: () => 12,
    });

  it('radius, its spread, and the foot’s rate as they are, round either way', () => {
    for (const way of [1, -1]) {
      const foot = (t: number) => 0.4 + 0.1 * Math.sin(2 * Math.PI * t);
      const m = measured('circle', around(25, 0.5, foot, way), { centre: [40, -7] });
      expect(m['radiusM']).toBeCloseTo(25, 1);
      expect(m['radiusSdM']).toBeCloseTo(0.5 / Math.SQRT2, 1);
      expect(m['slipSdDeg']).toBeCloseTo(3 / Math.SQRT2, 1);
      expect(m['throttleRateRms']).toBeCloseTo((0.1 * 2 * Math.PI) / Math.SQRT2, 1);
      expect(Math.abs(m['reversalsPerMin']! - 120)).toBeLessThan(4);
    }
  });

  it('the middle is found where nobody says it; a foot that trembles under 5 % turns round never', () => {
    const m = measured(
      'circle',
      around(25, 0.3, (t) => 0.4 + 0.02 * Math.sin(20 * t)),
    );
    expect(m['radiusM']).toBeCloseTo(25, 1);
    expect(m['reversalsPerMin']).toBe(0);
  });

  it('any radius is read back, with the straight on which it was come to', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 40, noNaN: true }), (r) => {
        const onto = (t: number) => Math.min(0, 12 * (t - 5));
        const angle = (t: number) => (12 * Math.max(0, t - 5)) / r - Math.PI / 2;
        const m = measured(
          'circle',
          logOf(60, {
            x_m: (t) => onto(t) + r * Math.cos(angle(t)),
            y_m: (t) => r + r * Math.sin(angle(t)),
            throttle: () => 0.4,
            slip_rear_rad: () => 0,
          }),
        );
        expect(m['radiusM']! / r).toBeCloseTo(1, 1);
        expect(m['radiusSdM']! / r).toBeLessThan(0.05);
      }),
      { numRuns: tries(8, 30) },
    );
  });
});

it('of a road with other bends the circle alone is measured, and its bends are no weave', () => {
  const hardware = { released: 2100, pressed: 61_000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65_535 };
  const pedal = { hardware, calibration: { released: 2180, pressed: 60_930 }, layers: [NEUTRAL_LAYER] };
  const log = completeRide({
    car: carById('marl-850'),
    track: trackById('quarry-pan'),
    ...{ throttle: pedal, brake: pedal, laps: 1, seed: 3 },
    foot: { restTravel: 0, restWander: 0.001, pressTravel: 0.87, pressSpread: 0.01 },
  });
  const m = measured('circle', log);
  expect(Math.abs(m['radiusM']! - 25)).toBeLessThan(1.5);
  expect(m['radiusSdM']!).toBeLessThan(1.5);
  const lap = completeRide({
    car: carById('marl-850'),
    track: trackById('saltmarsh-loop'),
    ...{ throttle: pedal, brake: pedal, laps: 1, seed: 3 },
    foot: { restTravel: 0, restWander: 0.001, pressTravel: 0.87, pressSpread: 0.01 },
  });
  expect(refusal('weave', lap)!.code).toBe('no-weave');
});

describe('brakes', () => {
  const presses = (peaks: readonly number[]) => (t: number) =>
    (peaks[Math.floor(t / 4)] ?? 0) * Math.max(0, Math.sin((Math.PI * (t % 4)) / 2));

  it('brake-peak: mean and spread of the presses, n − 1', () => {
    const peaks = [0.8, 0.75, 0.85, 0.8];
    const m = measured('brake-peak', logOf(16, { brake: presses(peaks) }));
    expect(m['presses']).toBe(4);
    expect(m['peakMean']).toBeCloseTo(0.8, 3);
    expect(m['peakSd']).toBeCloseTo(Math.sqrt(0.005 / 3), 3);
    expect(measured('brake-peak', logOf(4, { brake: presses([0.8]) }))['peakSd']).toBeNull();
  });

  const stop = {
    brake: (t: number) => (t < 1 ? 0 : 0.8),
    speed_mps: (t: number) => Math.max(0, 20 - 8 * Math.max(0, t - 1)),
  };

  it('threshold: v²/2a, and the share in which the fronts stand', () => {
    const m = measured('threshold', logOf(6, stop));
    expect(m['stopM']).toBeCloseTo(400 / 16, 0);
    expect(m['lockShare']).toBeNull();
    const halfLocked = logOf(6, {
      ...stop,
      wheel_front_mps: (t) => (t < 2.0625 ? 20 - 8 * Math.max(0, t - 1) : 0),
    });
    expect(measured('threshold', halfLocked)['lockShare']).toBeCloseTo(0.5, 1);
  });

  it('trail: how long it brakes and turns at once, and how fast the brake goes', () => {
    const m = measured(
      'trail',
      logOf(6, {
        brake: (t) => (t < 1 ? 0 : t < 2 ? 0.9 : Math.max(0, 0.9 - 0.45 * (t - 2))),
        speed_mps: () => 20,
        ay_mps2: (t) => (t < 2.5 ? 0 : 5),
        slip_rear_rad: (t) => (t < 3 ? 0 : 4 / DEG),
      }),
    );
    expect(m['overlapS']).toBeCloseTo((0.9 - 0.05) / 0.45 - 0.5, 1);
    expect(m['largestSlipDeg']).toBeCloseTo(4, 6);
    expect(m['brakeReleaseRate']).toBeLessThan(0.45);
    expect(m['brakeReleaseRate']).toBeGreaterThan(0.25);
  });
});

describe('starts', () => {
  const a = 5;
  const moved = (t: number) => Math.max(0, t - 1);
  const start = {
    speed_mps: (t: number) => a * moved(t),
    clutch: (t: number) => (t < 1 ? 1 : 0.45),
  };

  it('launch: √(2s/a), spin over 15 % of the road, bog of the least engine speed', () => {
    const m = measured(
      'launch',
      logOf(8, {
        ...start,
        wheel_rear_mps: (t) => 1.25 * a * moved(t),
        engine_rpm: (t) => (t < 1.2 ? 4000 : 3000),
      }),
    );
    expect(m['t20S']).toBeCloseTo(Math.sqrt(40 / a), 1);
    expect(m['t60S']).toBeCloseTo(Math.sqrt(120 / a), 1);
    expect(m['spinM']).toBeCloseTo(0.1 * 60, 0);
    expect(m['bog']).toBeCloseTo(0.25, 6);
    expect(m['clutchKj']).toBeNull();
    const bare = measured('launch', logOf(8, start));
    expect([bare['spinM'], bare['bog']]).toEqual([null, null]);
  });

  it('slow-roll: spread of the speed, stalls, turns of the foot', () => {
    const m = measured(
      'slow-roll',
      logOf(30, {
        speed_mps: (t) => 1.5 + 0.2 * Math.sin(t),
        throttle: (t) => 0.1 + 0.05 * Math.sin(Math.PI * t),
        engine_rpm: (t) => (t > 10 && t < 11 ? 0 : 900),
      }),
    );
    expect(m['speedSdMps']).toBeCloseTo(0.2 / Math.SQRT2, 1);
    expect(m['stalls']).toBe(1);
    expect(Math.abs(m['reversalsPerMin']! - 60)).toBeLessThan(4);
  });
});

describe('slides', () => {
  /** A rear that goes at 2 s to 30°, and comes back by 4 s; the hand follows 0.15 s later. */
  const slip = (t: number) => (t < 2 || t > 4 ? 0 : (30 / DEG) * Math.sin((Math.PI * (t - 2)) / 2));
  const caught = {
    slip_rear_rad: slip,
    speed_mps: () => 15,
    steer_deg: (t: number) => -6 * DEG * slip(t - 0.15),
    slip_front_rad: () => 2 / DEG,
  };

  it('catch: the hand’s lag, the largest slip, when it is straight again', () => {
    const m = measured('catch', logOf(8, caught), { steeringRatio: 14 });
    expect(m['spins']).toBe(0);
    // It begins at 6°, 0.13 s after the rear does.
    expect(m['lagMs']!).toBeGreaterThan(0);
    expect(m['lagMs']!).toBeLessThan(60);
    expect(m['largestSlipDeg']).toBeCloseTo(30, 0);
    expect(m['settleS']!).toBeGreaterThan(1.6);
    expect(m['settleS']!).toBeLessThan(2);
    expect(m['rimErrorDeg']).toBeCloseTo(28, 6);
  });

  it('one that turns round is a spin, and settles nowhere', () => {
    const spun = { ...caught, slip_rear_rad: (t: number) => (t < 2 ? 0 : Math.min(2, t - 2)) };
    const m = measured('catch', logOf(6, spun));
    expect(m['spins']).toBe(1);
    expect(m['settleS']).toBeNull();
    expect(m['rimErrorDeg']).toBeNull();
  });

  it('eight: the time from 15° on one side to 15° on the other', () => {
    const m = measured(
      'eight',
      logOf(20, { slip_rear_rad: (t) => (20 / DEG) * Math.sin(t), speed_mps: () => 12 }),
    );
    expect(m['transitionS']).toBeCloseTo(2 * Math.asin(0.75), 1);
    expect(m['largestSlipDeg']).toBeCloseTo(20, 0);
    expect(m['spins']).toBe(0);
  });
});

describe('weave', () => {
  const weaving = (noise: number, tremble: number) => {
    const random = seededRandom(4);
    const offsets = Array.from({ length: 40 }, () => noise * random.normal());
    return logOf(40, {
      // A weave every two seconds along a lane that lies aslant.
      steer_deg: (t) => 40 * Math.sin(Math.PI * t) + tremble * Math.sin(2 * Math.PI * 5 * t),
      x_m: (t) => 10 * t - 0.3 * Math.sin(Math.PI * t),
      y_m: (t) => 3 * t + Math.sin(Math.PI * t) + offsets[Math.floor(t / 2)]!,
      torque_nm: (t) => -2 * Math.sin(Math.PI * t) + 0.4 * Math.sign(Math.cos(Math.PI * t)),
    });
  };

  it('a weave that is driven alike strays little, one that strays does by as much; the loop’s width is read at the middle', () => {
    const even = measured('weave', weaving(0, 0));
    expect(even['pathSdM']!).toBeLessThan(0.05);
    expect(even['hysteresisNm']).toBeCloseTo(0.8, 1);
    expect(even['reversalsOver2HzPerMin']).toBeLessThan(5);
    const odd = measured('weave', weaving(0.3, 0));
    expect(odd['pathSdM']!).toBeGreaterThan(0.2);
    expect(odd['pathSdM']!).toBeLessThan(0.4);
  });

  it('a hand that trembles five times a second turns round six hundred times a minute', () => {
    expect(measured('weave', weaving(0, 4))['reversalsOver2HzPerMin']! / 600).toBeCloseTo(1, 1);
  });
});

it('a log without what a drill needs is refused by that column’s name, and one without the drill by the drill’s', () => {
  const still = logOf(20, {
    ...{ x_m: () => 0, y_m: () => 0, throttle: () => 0, brake: () => 0, steer_deg: () => 0 },
    ...{ speed_mps: () => 12, slip_rear_rad: () => 0, ay_mps2: () => 0 },
  });
  for (const name of DRILL_NAMES) {
    expect(refusal(name, still)!.code).toBe(`no-${name}`);
    for (const column of DRILLS[name].needs) {
      const columns = { ...still.columns };
      delete columns[column];
      expect(refusal(name, { ...still, columns })).toMatchObject({
        code: 'no-column',
        place: { column },
      });
    }
  }
});
