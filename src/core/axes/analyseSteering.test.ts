import { seededRandom } from '../numeric/random';
import { analyseSteering } from './analyseSteering';
import type { SteeringAnalysis } from './steeringAnalysis';
import { runsFromLabels, type Recording } from './recording';
import { countsPerDegree, nominalRotation } from './rotation';

const RATE = 100;
const SPAN = 60_000;
const HAND_ERROR_DEG = 1.5;

interface Truth {
  rotation: number;
  seed: number;
  angles?: number[];
  /** Angle at which the wheel rests after a release from the left (positive) and from the right. */
  restsAt?: [number, number];
  inverted?: boolean;
}

/** A steering capture by a hand that holds marked angles within 1.5°, on a wheel of known rotation. */
function capture({
  rotation,
  seed,
  angles = [90, -90],
  restsAt = [0, 0],
  inverted = false,
}: Truth): Recording {
  const random = seededRandom(seed);
  const perDegree = ((inverted ? -1 : 1) * SPAN) / rotation;
  const raw: number[] = [];
  const labels: string[] = [];
  const hold = (label: string, degrees: number, seconds: number) => {
    for (let i = 0; i < seconds * RATE; i++) {
      raw.push(Math.round(32_768 + degrees * perDegree + 6 * random.normal()));
      labels.push(label);
    }
  };
  const turn = (label: string, from: number, to: number, seconds: number) => {
    for (let i = 0; i < seconds * RATE; i++) {
      const u = i / (seconds * RATE);
      raw.push(
        Math.round(32_768 + (from + (to - from) * u * u * (3 - 2 * u)) * perDegree + 6 * random.normal()),
      );
      labels.push(label);
    }
  };
  const lock = rotation / 2;
  hold('rest', 0, 3);
  for (let k = 0; k < 3; k++) {
    turn('sweep', 0, lock, 2);
    hold('sweep', lock, 0.4);
    turn('sweep', lock, -lock, 3);
    hold('sweep', -lock, 0.4);
    turn('sweep', -lock, 0, 2);
    hold('idle', 0, 0.2);
  }
  for (const angle of angles) {
    hold(`hold:${angle}`, angle + HAND_ERROR_DEG * random.normal(), 1);
    hold('rest', restsAt[angle > 0 ? 0 : 1], 1);
  }
  return {
    t: Float64Array.from(raw, (_, i) => i / RATE),
    runs: runsFromLabels(labels),
    axes: { steering: Float64Array.from(raw) },
    device: 'test',
    rangeMin: 0,
    rangeMax: 65_535,
    rateHz: RATE,
  };
}

function analysed(truth: Truth): SteeringAnalysis {
  const result = analyseSteering(capture(truth));
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return result.value;
}

it('its 95 % intervals hold the true rotation in 92 to 98 of 100 captures', () => {
  const trials = 300;
  let covered = 0;
  for (let seed = 1; seed <= trials; seed++) {
    const { rotationDeg, rotationSigmaDeg } = analysed({ rotation: 873, seed });
    if (Math.abs(rotationDeg! - 873) <= 1.96 * rotationSigmaDeg!) covered++;
  }
  expect(covered / trials).toBeGreaterThanOrEqual(0.92);
  expect(covered / trials).toBeLessThanOrEqual(0.98);
});

it('quarter turns leave about ±21° of 900 open and only say "probably"; full turns snap', () => {
  const quarter = analysed({ rotation: 900, seed: 7 });
  expect(1.96 * quarter.rotationSigmaDeg!).toBeGreaterThan(19);
  expect(1.96 * quarter.rotationSigmaDeg!).toBeLessThan(23);
  expect([quarter.snappedDeg, quarter.probablyDeg]).toEqual([null, 900]);
  expect(quarter.warnings.join(' ')).toMatch(/probably 900°/);
  const full = analysed({ rotation: 900, seed: 7, angles: [360, -360] });
  expect(1.96 * full.rotationSigmaDeg!).toBeLessThan(6);
  expect(full.snappedDeg).toBe(900);
});

it('gives centre offset, return hysteresis and degrees per step, left positive, whichever way the axis reads', () => {
  for (const inverted of [false, true]) {
    const a = analysed({ rotation: 900, seed: 3, angles: [90, -90, 360, -360], restsAt: [2, -1], inverted });
    expect(a.inverted).toBe(inverted);
    expect(a.min).toBeLessThan(a.max);
    expect(a.returnHysteresisDeg!).toBeCloseTo(3, 0);
    expect(a.degPerStep!).toBeCloseTo(900 / SPAN, 3);
    expect(Math.abs(a.centreOffsetDeg!)).toBeLessThan(1.5);
  }
});

it('without holds there is no rotation, and it is said so', () => {
  const a = analysed({ rotation: 900, seed: 1, angles: [] });
  expect([a.rotationDeg, a.rotationSigmaDeg, a.snappedDeg, a.centreOffsetDeg]).toEqual([
    null,
    null,
    null,
    null,
  ]);
  expect(a.warnings.join(' ')).toMatch(/No hold at a known angle/);
});

it('a hold at the wrong sign is refused with its place', () => {
  const recording = capture({ rotation: 900, seed: 1, angles: [90, -90, 360] });
  recording.runs.find((run) => run.label === 'hold:-90')!.label = 'hold:90';
  recording.runs.find((run) => run.label === 'hold:360')!.label = 'hold:120';
  const result = analyseSteering(recording);
  expect(result.ok ? '' : result.problems[0]).toMatchObject({
    code: 'hold-wrong-side',
    place: { channel: 'steering' },
  });
});

it('counts per degree: a pair, several angles, one side only', () => {
  const hold = (degrees: number, counts: number) => ({ degrees, counts, tS: 0 });
  expect(countsPerDegree([hold(90, 1900), hold(-90, 100)], 990)).toEqual({
    countsPerDegree: 10,
    relativeSigma: 1.5 / Math.sqrt(2 * 90 * 90),
  });
  expect(countsPerDegree([hold(90, 1900)], 1000)!.countsPerDegree).toBe(10);
  expect(countsPerDegree([hold(0, 1000)], 1000)).toBeNull();
  expect(nominalRotation(889, 11)).toEqual({ degrees: 900, isSure: false });
  expect(nominalRotation(871, 5)).toBeNull();
  expect(nominalRotation(902, 2.6)).toEqual({ degrees: 900, isSure: true });
});
