import { analysePedal } from './analysePedal';
import type { PedalAnalysis } from './pedalAnalysis';
import type { PedalHardware } from './pedalSensor';
import type { Recording } from './recording';
import { simulateCapture } from './simulateCapture';
import { tries } from '../testing/longRun';

const SENSOR: PedalHardware = {
  released: 2100,
  pressed: 61000,
  sigma: 18,
  quantum: 1,
  rangeMin: 0,
  rangeMax: 65535,
};
const FOOT = { restTravel: 0.031, restWander: 0.0025, pressTravel: 0.87, pressSpread: 0.018 };

function capture(hardware: Partial<PedalHardware> = {}, seed = 1, rateHz = 250): Recording {
  return simulateCapture({
    axis: 'brake',
    device: 'test',
    hardware: { ...SENSOR, ...hardware },
    habits: FOOT,
    rateHz,
    seed,
  });
}

function analysed(recording: Recording): PedalAnalysis {
  const result = analysePedal(recording, 'brake');
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return result.value;
}

describe('on generated captures the truth comes back', () => {
  it('finds noise, resolution, ends and drag', () => {
    const a = analysed(capture());
    expect(a.noise).toBeGreaterThan(16);
    expect(a.noise).toBeLessThan(20);
    expect(a.quantum).toBe(1);
    expect(a.min).toBeGreaterThan(SENSOR.released);
    expect(a.max).toBeLessThan(SENSOR.pressed);
    expect(a.max - a.min).toBeGreaterThan(0.97 * (SENSOR.pressed - SENSOR.released));
    expect(a.coverTravel!.median).toBeCloseTo(FOOT.restTravel, 2);
    expect(a.deadzone!).toBeGreaterThan(a.coverTravel!.p995);
    expect(a.deadzoneFrom).toBe('cover');
    expect(a.driftPerMin).toBeNull();
    expect(a.warnings).toEqual([]);
  });

  it('measures a coarse, noisy potentiometer in the same half minute', () => {
    const coarse = capture({ sigma: 95, quantum: 64 });
    expect(coarse.t.at(-1)!).toBeLessThan(35);
    const a = analysed(coarse);
    expect(a.quantum).toBe(64);
    expect(a.bits!).toBeCloseTo(9.8, 1);
    expect(Math.abs(a.noise - Math.hypot(95, 64 / Math.sqrt(12)))).toBeLessThan(10);
  });

  it('reads an inverted axis as the same pedal, with min below max', () => {
    const a = analysed(capture({ released: 61000, pressed: 2100 }));
    expect(a.inverted).toBe(true);
    expect(a.min).toBeLessThan(a.max);
    expect(a.centre).toBeGreaterThan(60000);
    expect(a.coverTravel!.median).toBeCloseTo(FOOT.restTravel, 2);
    expect(a.pressMean!).toBeCloseTo(FOOT.pressTravel, 1);
  });

  it('recommends a saturation that at least 95 of 100 later presses reach, in 85 of 100 captures or more', () => {
    const seeds = Array.from({ length: tries(20, 100) }, (_, i) => i + 1);
    const safe = seeds.filter((seed) => {
      const { saturation } = analysed(capture({}, seed, 125));
      return saturation! <= FOOT.pressTravel - 1.645 * FOOT.pressSpread;
    });
    expect(safe.length / seeds.length).toBeGreaterThanOrEqual(0.85);
  });

  it('finds planted rough track at its place, and none on clean sensors', () => {
    const worn = [{ from: 0.42, to: 0.5, sigma: 220, dropoutsPerS: 0 }];
    const [spot, ...more] = analysed(capture({ worn }, 4, 1000)).roughSpots;
    expect(more).toEqual([]);
    expect(spot!.from).toBeCloseTo(0.42, 1);
    expect(spot!.to).toBeCloseTo(0.5, 1);
    for (let seed = 1; seed <= tries(20, 200); seed++)
      expect(analysed(capture({}, seed, 125)).roughSpots).toEqual([]);
  });

  it('finds the slack at its place, and lets it rule where it is the larger', () => {
    for (const takeupTravel of [0.05, 0.09]) {
      const a = analysed(
        simulateCapture({
          axis: 'brake',
          device: 'test',
          hardware: SENSOR,
          habits: { ...FOOT, takeupTravel },
          rateHz: 250,
          seed: 9,
          takeup: true,
        }),
      );
      expect(a.takeupTravel!).toBeCloseTo(takeupTravel, 2);
      expect(a.deadzoneFrom).toBe('takeup');
      expect(a.deadzone).toBe(a.takeupTravel);
    }
  });

  it('counts spikes, and dropouts apart from them', () => {
    const recording = capture();
    const raw = recording.axes.brake!;
    const rest = recording.runs.find((run) => run.label === 'rest')!;
    raw[rest.from + 50]! += 1500;
    raw[rest.from + 120]! += 1500;
    raw[rest.from + 121]! += 1500;
    for (let i = 0; i < 3; i++) raw[rest.from + 200 + i]! += 9000;
    const a = analysed(recording);
    expect([a.spikes, a.dropouts]).toEqual([2, 1]);
    expect(a.noise).toBeLessThan(20);
  });

  it('reports drift only where it is there', () => {
    const drifting = capture();
    const raw = drifting.axes.brake!;
    drifting.t.forEach((t, i) => (raw[i] = raw[i]! + Math.round(t * 60)));
    expect(analysed(drifting).driftPerMin!).toBeGreaterThan(2500);
    const silent = Array.from(
      { length: 60 },
      (_, seed) => analysed(capture({}, seed + 200, 125)).driftPerMin,
    );
    expect(silent.filter((d) => d !== null).length).toBeLessThanOrEqual(3);
  });

  it('says null for the resolution of a smoothed axis', () => {
    const recording = capture();
    let level = recording.axes.brake![0]!;
    recording.axes.brake = recording.axes.brake!.map((v) => (level += 0.217 * (v - level)));
    const a = analysed(recording);
    expect([a.quantum, a.bits]).toEqual([null, null]);
    expect(a.warnings.join(' ')).toMatch(/smooths/);
  });
});

describe('what is wrong is said with place and remedy', () => {
  const relabel = (from: string, to: string) => {
    const recording = capture();
    return { ...recording, runs: recording.runs.map((r) => (r.label === from ? { ...r, label: to } : r)) };
  };

  it.each([
    ['no sweeps', relabel('sweep', 'idle'), 'too-few-sweeps'],
    ['no rest', relabel('rest', 'idle'), 'no-rest'],
    [
      'an axis that never moves',
      { ...capture(), axes: { brake: capture().axes.brake!.fill(2100) } },
      'span-too-small',
    ],
    ['another axis', { ...capture(), axes: {} }, 'axis-missing'],
  ])('%s', (_, recording, code) => {
    const result = analysePedal(recording as Recording, 'brake');
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.problems[0]!.code).toBe(code);
    expect(result.problems[0]!.place.channel).toBe('brake');
    expect(result.problems[0]!.remedy.length).toBeGreaterThan(10);
  });

  it('asks for more presses, and keeps what the rest can tell', () => {
    const recording = capture();
    let left = 3;
    recording.runs.forEach((run) => {
      if (run.label === 'press' && left-- <= 0) run.label = 'idle';
    });
    const a = analysed(recording);
    expect([a.saturation, a.reachNow, a.reachAfter]).toEqual([null, null, null]);
    expect(a.deadzone).not.toBeNull();
    expect(a.warnings.join(' ')).toMatch(/Only 3 presses counted: record at least 4/);
  });

  it('leaves a press to 40 % out and names it', () => {
    const recording = capture();
    const press = recording.runs.filter((run) => run.label === 'press')[2]!;
    const raw = recording.axes.brake!;
    for (let i = press.from; i < press.to; i++)
      raw[i] = Math.round(SENSOR.released + (raw[i]! - SENSOR.released) * 0.46);
    const a = analysed(recording);
    expect(a.presses.filter((p) => !p.counted)).toHaveLength(1);
    expect(a.saturation!).toBeGreaterThan(0.75);
    expect(a.warnings.join(' ')).toMatch(/stopped at (39|4\d)\.\d %/);
  });
});

it('ends move inward by at most 3 % of span and hold for a new full press', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const a = analysed(capture({}, seed));
    const inward = (SENSOR.pressed - a.max) / (SENSOR.pressed - SENSOR.released);
    expect(inward).toBeLessThanOrEqual(0.031);
    expect(a.endReached).toBeGreaterThan(0.9);
  }
});
