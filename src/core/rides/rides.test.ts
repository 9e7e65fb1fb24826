import { MEASURES, MEASURES_SHOWN, pressPeaks, type Measured } from './measures';
import { splitLaps } from './laps';
import { measureRide } from './measureRide';
import { medianOverDistance } from './overDistance';
import type { RideLog } from './rideLog';
import { rideSignals } from './rideSignals';

/** Laps of 1000 m at a steady speed each; `null` leaves the lap unfinished at half its length. */
function ride(
  speeds: number[],
  options: { startAt?: number; offTrackLap?: number; unfinished?: boolean } = {},
): RideLog {
  const t: number[] = [];
  const columns = {
    distance: [] as number[],
    lap: [] as number[],
    speed: [] as number[],
    surface: [] as number[],
    brake: [] as number[],
  };
  let time = 0;
  speeds.forEach((speed, lap) => {
    const isLast = lap === speeds.length - 1;
    const end = options.unfinished && isLast ? 500 : 1000;
    for (let d = lap === 0 ? (options.startAt ?? 0) : 0; d < end; d += speed / 50) {
      t.push((time += 1 / 50));
      columns.distance.push(d);
      columns.lap.push(lap);
      columns.speed.push(speed);
      columns.surface.push(lap === options.offTrackLap && d > 400 && d < 420 ? 3 : 0);
      columns.brake.push(d > 700 && d < 800 ? 0.8 + lap / 100 : 0);
    }
  });
  const column = (values: number[]) => Float64Array.from(values);
  return {
    columns: {
      t_s: column(t),
      distance_m: column(columns.distance),
      lap: column(columns.lap),
      speed_mps: column(columns.speed),
      surface: column(columns.surface),
      brake: column(columns.brake),
    },
    notes: {},
  };
}

it('times laps from line to line and says why the others do not count', () => {
  const laps = splitLaps(ride([40, 40, 41, 39, 40], { startAt: 700, offTrackLap: 2, unfinished: true }));
  expect(laps.map((lap) => lap.why)).toEqual(['out-lap', null, 'off-track', null, 'in-lap']);
  expect(laps[1]!.timeS!).toBeCloseTo(25, 1);
});

it('leaves out a lap over 107 % of the best', () => {
  expect(splitLaps(ride([40, 37, 36])).map((lap) => lap.why)).toEqual([null, 'over-107', 'over-107']);
});

it('splits by resets of distance where there is no lap column', () => {
  const log = ride([40, 40, 40]);
  delete log.columns.lap;
  expect(splitLaps(log).map((lap) => lap.counted)).toEqual([true, true, true]);
});

it('measures drag, reach, peak and spread as planted', () => {
  const n = 1000;
  const throttle = Float64Array.from({ length: n }, (_, i) => (i < 500 ? 1 : 0));
  const brake = new Float64Array(n);
  brake.fill(0.03, 0, 100);
  [1, 0.96, 1].forEach((peak, k) => brake.fill(peak, 550 + 100 * k, 600 + 100 * k));
  brake.fill(0.4, 900, 940);
  const log: RideLog = {
    columns: { t_s: Float64Array.from(brake, (_, i) => i), brake, throttle },
    notes: {},
  };
  const lap = { log, from: 0, to: n, timeS: 61.5, greatestBrake: 1, signals: rideSignals(log, []) };
  const m = Object.fromEntries(MEASURES.map(({ name, of }) => [name, of(lap)])) as unknown as Measured;
  expect(m.lapTimeS).toBe(61.5);
  expect(m.brakeDrag).toBeCloseTo(0.2, 9);
  expect(m.brakeReach).toBeCloseTo(2 / 3, 9);
  expect(m.brakePeak).toBe(1);
  expect(m.brakeSpread).toBeCloseTo(Math.sqrt((0.04 ** 2 * 2) / 3 / 2), 6);
  expect(pressPeaks(brake)).toEqual([1, 0.96, 1, 0.4]);
});

it('a measure says null exactly where the log has not what it needs, and every measure has its own place', () => {
  const t_s = Float64Array.from({ length: 200 }, (_, i) => i / 10);
  const wave = (times: number) => t_s.map((t) => times * Math.sin(t));
  const all = {
    t_s,
    throttle: t_s.map(() => 1),
    brake: t_s.map((t) => Math.abs(Math.sin(t))),
    distance_m: t_s.map((t) => 20 * (t % 10)),
    steer_deg: wave(-90),
    yaw_radps: wave(1),
    slip_rear_rad: wave(0.2),
    x_m: t_s.map((t) => 20 * (t % 10)),
    y_m: t_s.map((t) => t / 100),
    surface: t_s.map(() => 0),
  };
  const halves = [0, 100].map((from) => ({ from, to: from + 100 }));
  for (const { needs, of } of MEASURES)
    for (const missing of [null, ...needs]) {
      const log = { columns: { ...all, ...(missing ? { [missing]: undefined } : {}) }, notes: {} } as RideLog;
      const signals = rideSignals(log, halves);
      const said = of({ log, ...halves[0]!, timeS: 10, greatestBrake: 1, signals });
      expect(said === null).toBe(missing !== null);
    }
  expect(MEASURES_SHOWN.map(({ rank }) => rank)).toEqual(MEASURES.map((_, i) => i));
});

it('says what is missing and never guesses it', () => {
  const t = Float64Array.of(0, 1, 2);
  const measured = measureRide({ columns: { t_s: t, speed_mps: t }, notes: {} });
  expect(measured.laps).toEqual([]);
  expect(measured.missing.slice(0, 3)).toEqual(['distance_m', 'throttle', 'brake']);
  expect(Object.values(measured.summary).every((v) => v === null)).toBe(true);
});

it('takes the median of the counted laps at each place', () => {
  const trace = medianOverDistance(ride([40, 40, 40]), 'brake', 101)!;
  expect(trace.values[75]!).toBeCloseTo(0.81, 6);
  expect(trace.values[20]).toBe(0);
});

it('a ride that begins within a hundredth of a lap behind the line begins at it', () => {
  expect(splitLaps(ride([40, 40, 40], { startAt: 9 }))[0]!.why).toBeNull();
  expect(splitLaps(ride([40, 40, 40], { startAt: 12 }))[0]!.why).toBe('out-lap');
});
