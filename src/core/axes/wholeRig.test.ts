import { SIMULATED_RIGS, simulatedAxes } from '@/catalog/simulatedRigs';
import { seededRandom } from '../numeric/random';
import { analyseAxis } from './analyseAxis';
import { analyseShifter } from './analyseShifter';
import { axisHistory } from './axisHistory';
import { brakeForceAdvice } from './brakeForce';
import { programmeFor } from './programme';
import { proofGuide, proofItems, proofReason } from './proof';
import type { AxisName } from './axes';
import { runsFromLabels, type Recording } from './recording';
import { rotationAdvice } from './rotationAdvice';
import { simulateGuidedCapture } from './simulateCapture';
import { lockShare, steeringDegrees } from './steeringAngle';

const DAY_MS = 24 * 3600 * 1000;

describe('every axis of every rig', () => {
  const cases = SIMULATED_RIGS.flatMap((rig) =>
    Object.entries(simulatedAxes(rig, 'Noon shift')).map(([axis, simulated]) => ({
      rig,
      axis: axis as AxisName,
      simulated,
    })),
  );
  it.each(cases.map((c) => [`${c.rig.name} ${c.axis}`, c] as const))(
    '%s is captured and analysed',
    (_, c) => {
      const { base, shifter } = c.rig.spec;
      const recording = simulateGuidedCapture({
        axis: c.axis,
        device: 'x',
        simulated: c.simulated,
        steps: programmeFor(c.axis, { rotationDeg: base.rotationDeg, ...(shifter ? { shifter } : {}) }),
        rateHz: 250,
        seed: 5,
      });
      const result = analyseAxis(recording, c.axis);
      expect(result.ok ? [] : result.problems).toEqual([]);
      if (!result.ok) return;
      if (result.value.axis === 'steering') {
        const { rotationDeg, rotationSigmaDeg } = result.value;
        expect(Math.abs(rotationDeg! - base.rotationDeg!)).toBeLessThan(3.5 * rotationSigmaDeg!);
      }
      if (result.value.axis === 'clutch') expect(result.value.inverted).toBe(c.rig.id === 'gannet');
      if (result.value.axis === 'gear')
        expect(result.value.gates.every((g) => g.reads > 0 && !g.missed)).toBe(true);
    },
  );
});

describe('the shifter', () => {
  const capture = (gates: [string, number[]][]): Recording => {
    const raw: number[] = [];
    const labels: string[] = [];
    const add = (label: string, value: number, n: number) => {
      for (let i = 0; i < n; i++) {
        raw.push(value);
        labels.push(label);
      }
    };
    add('rest', 0, 50);
    for (const [label, lengths] of gates) {
      lengths.forEach((n, i) => add(label, i % 2 ? 0 : Number(label.slice(5)) + 10, n));
      add(label, 0, 40);
    }
    return {
      t: Float64Array.from(raw, (_, i) => i / 100),
      axes: { gear: Float64Array.from(raw) },
      runs: runsFromLabels(labels),
      device: '',
      rangeMin: 0,
      rangeMax: 32,
      rateHz: 100,
    };
  };

  it('counts reads, misses and doubles per gate', () => {
    const result = analyseShifter(
      capture([
        ['gate:1', [50, 40, 50]],
        ['gate:2', [20, 5, 20, 40, 50]],
        ['gate:3', [50]],
        ['gate:4', []],
      ]),
    );
    if (!result.ok) throw new Error('refused');
    expect(result.value.gates).toEqual([
      { gate: 1, reading: 11, reads: 2, missed: 0, doubles: 0 },
      { gate: 2, reading: 12, reads: 2, missed: 0, doubles: 1 },
      { gate: 3, reading: 13, reads: 1, missed: 1, doubles: 0 },
      { gate: 4, reading: null, reads: 0, missed: 2, doubles: 0 },
    ]);
    expect(result.value.warnings.join(' ')).toMatch(/Gate 4 gave nothing.*|Gate 2 read double once/);
  });

  it('says when two gates read the same, and refuses a capture without gates', () => {
    const twins = capture([
      ['gate:1', [50]],
      ['gate:2', [50]],
    ]);
    twins.axes.gear = twins.axes.gear!.map((v) => (v > 0 ? 11 : 0));
    const result = analyseShifter(twins);
    expect(result.ok && result.value.warnings.join(' ')).toMatch(/Gate 2 reads the same as gate 1/);
    const none = analyseShifter({ ...twins, runs: [{ label: 'rest', from: 0, to: twins.t.length }] });
    expect(none.ok ? '' : none.problems[0]!.code).toBe('no-gates');
  });
});

describe('history', () => {
  /** Twelve weekly captures of a pedal whose noise grows by a share of span a day. */
  const weekly = (perDay: number, seed: number) => {
    const random = seededRandom(seed);
    return Array.from({ length: 12 }, (_, week) => ({
      atMs: week * 7 * DAY_MS,
      analysis: {
        axis: 'throttle',
        min: 0,
        max: 1000,
        inverted: false,
        noise: 1000 * (0.002 + perDay * 7 * week) * (1 + 0.03 * random.normal()),
        roughSpots: [],
      } as unknown as Extract<ReturnType<typeof analyseAxis>, { ok: true }>['value'],
    }));
  };

  it('forecasts the day on which 3σ passes the dead zone, within the slopes of its interval', () => {
    const perDay = 0.00008;
    const { outgrows, noise } = axisHistory(weekly(perDay, 3), 0.03);
    const truth = ((0.01 - 0.002) / perDay) * DAY_MS;
    expect(noise!.perDay).toBeCloseTo(perDay, 5);
    expect(noise!.interval[0]).toBeLessThan(perDay);
    expect(noise!.interval[1]).toBeGreaterThan(perDay);
    expect(Math.abs(outgrows!.atMs - truth) / DAY_MS).toBeLessThan(10);
    expect(outgrows!.earliestMs).toBeLessThan(outgrows!.atMs);
    expect(outgrows!.latestMs!).toBeGreaterThan(outgrows!.atMs);
  });

  it('speaks of a trend in at most 9 of 100 steady sensors, and never of fewer than five captures', () => {
    const steady = Array.from({ length: 100 }, (_, seed) => axisHistory(weekly(0, seed + 10), 0.03).noise);
    expect(steady.filter((trend) => trend !== null).length).toBeLessThanOrEqual(9);
    expect(axisHistory(weekly(0.001, 1).slice(0, 4), 0.03).noise).toBeNull();
  });
});

it('says what to type and what an honest 900 shows in a wizard', () => {
  const advice = rotationAdvice(899.2, 2.6, 900);
  expect(advice.typeDeg).toBe(900);
  expect(advice.wizardDeg[0]).toBeLessThan(889);
  expect(advice.wizardDeg[0]).toBeGreaterThan(871);
  expect(advice.wizardDeg[1]).toBeGreaterThan(912);
  expect(rotationAdvice(873.4, 2.6, null).typeDeg).toBe(873);
});

it('puts 100 % brake force on the scale at the comfortable press, and one notch under it', () => {
  expect(brakeForceAdvice(0.83, { min: 10, max: 100, step: 5, now: 80 })).toEqual({
    forFull: 65,
    withMargin: 60,
  });
  expect(brakeForceAdvice(1, { min: 10, max: 100, step: 1, now: 60 })).toEqual({
    forFull: 60,
    withMargin: 59,
  });
  expect(brakeForceAdvice(0.05, { min: 10, max: 100, step: 5, now: 80 })).toBeNull();
});

it('an angle is left positive whichever way the axis counts, and each lock is its own 100 %', () => {
  for (const inverted of [false, true]) {
    const wheel = { min: 0, max: 1000, centre: 520, inverted, rotationDeg: 900 };
    const left = inverted ? 0 : 1000;
    expect(steeringDegrees(wheel, left)).toBeGreaterThan(0);
    expect(lockShare(wheel, left)).toBeCloseTo(1, 12);
    expect(lockShare(wheel, inverted ? 1000 : 0)).toBeCloseTo(-1, 12);
    expect(lockShare(wheel, 520)).toBe(0);
  }
});

describe('the final check', () => {
  const RATE = 50;
  const run = (shows: (kind: string, t: number) => number) => {
    const guide = proofGuide(proofItems(['brake']));
    for (let i = 0; i < 20 * RATE && guide.current(); i++) {
      const kind = guide.current()!.kind;
      guide.feed(i / RATE, { brake: { value: shows(kind, i / RATE) } });
    }
    return guide.results.map((r) => ({ kind: r.item.kind, passed: r.passed, says: proofReason(r) }));
  };

  it('passes an axis that shows 0 at rest and 100 % at full', () => {
    expect(run((kind) => (kind === 'rest' ? 0 : 1)).map((r) => r.passed)).toEqual([true, true]);
  });

  it('after one short press two must come before two more fall short', () => {
    // Presses every two seconds, held for one; the given ones fall short.
    const presses = (short: number[]) => (kind: string, t: number) =>
      kind === 'rest' || t % 2 > 1 ? 0 : short.includes(Math.floor(t / 2)) ? 0.97 : 1;
    const full = (short: number[]) => run(presses(short))[1]!;
    expect(full([1]).passed).toBe(true);
    expect(full([1, 2]).passed).toBe(true);
    expect(full([1, 3]).passed).toBe(true);
    expect(full([1, 2, 3]).passed).toBe(false);
    expect(full([1, 3, 4]).says).toMatch(/Brake shows 97 % at your comfortable full press/);
  });

  it('a wheel may rest where its own friction leaves it, and no further', () => {
    const centre = (degrees: number, frictionDeg: number) => {
      const guide = proofGuide([{ axis: 'steering', kind: 'centre' }]);
      for (let i = 0; i < 5 * RATE && guide.current(); i++)
        guide.feed(i / RATE, { steering: { value: degrees / 450, degrees, frictionDeg } });
      return guide.results[0]!.passed;
    };
    expect(centre(-3.5, 0)).toBe(false);
    expect(centre(-3.5, 2)).toBe(true);
    expect(centre(-5.5, 2)).toBe(false);
  });

  it('gives the exact reason where it drags or stays short', () => {
    const [rest, full] = run((kind, t) => (kind === 'rest' ? 0.031 : Math.min(0.92, (t % 4) * 0.5)));
    expect(rest).toMatchObject({ passed: false });
    expect(rest!.says).toMatch(/Brake shows 3\.1 % under the resting foot/);
    expect(full).toMatchObject({ passed: false });
    expect(full!.says).toMatch(/Brake shows 92 % at your comfortable full press/);
  });
});
