import { seededRandom } from '../numeric/random';
import { baseByHand, massFor } from './baseByHand';
import { spinGuide, type SpinStep } from './spinGuide';
import { hungMass, massLabel } from './hungMass';
import { spinningHand } from './spinningHand';
import type { TrueBase } from './spinningRim';
import { TRUE_BASES, truthOf } from './testing/trueBases';

const LONGEST_S = 300;

/** Somebody who does as the guide says, at a steady rate of reports. */
function follow(base: TrueBase, steps: SpinStep[], rateHz: number, seed: number) {
  const countsPerDegree = 65536 / base.rotationDeg;
  const guide = spinGuide(countsPerDegree);
  const hand = spinningHand(base, seededRandom(seed));
  const t: number[] = [];
  const raw: number[] = [];
  const left = [...steps];
  for (let at = 0; at < LONGEST_S * rateHz; at++) {
    const { step } = guide.state;
    if (step === null || (step.kind !== 'rest' && guide.state.done >= step.wanted)) {
      if (left.length === 0) break;
      guide.ask(left.shift()!);
    }
    const now = guide.state.step;
    const degrees =
      now && now.kind !== 'rest' ? hand.step('label' in now ? hungMass(now.label) : null, 1 / rateHz) : 0;
    const reading = Math.round(degrees * countsPerDegree);
    if (guide.feed(at / rateHz, reading)) {
      t.push(at / rateHz);
      raw.push(reading);
    }
  }
  const most = (base.rotationDeg / 2) * countsPerDegree;
  const recording = {
    t: Float64Array.from(t),
    runs: guide.state.runs,
    axes: { steering: Float64Array.from(raw) },
    device: 'x',
    rangeMin: -most,
    rangeMax: most,
    rateHz,
  };
  return { recording, countsPerDegree, state: guide.state };
}

describe.each(Object.entries(TRUE_BASES))('a %s base', (_, base) => {
  it.each([1000, 250])('is measured by somebody who does as the guide says, at %d Hz', (rateHz) => {
    const { grams, millimetres } = massFor(base.frictionNm);
    const label = massLabel(grams, millimetres);
    const steps: SpinStep[] = [
      { kind: 'flick', wanted: 16 },
      { kind: 'pendulum', label, wanted: 10 },
    ];
    const { recording, countsPerDegree } = follow(base, steps, rateHz, 3);
    const labels = recording.runs.map((run) => run.label);
    expect(labels.filter((one) => one === 'flick')).toHaveLength(16);
    expect(labels.filter((one) => one === label)).toHaveLength(10);
    const out = baseByHand([{ recording, countsPerDegree }]);
    if (!out.ok) throw new Error(out.problems[0]!.message);
    const truth = truthOf(base);
    expect(out.value.swings).toBe(26);
    expect(Math.abs(out.value.frictionNm!.value / truth.frictionNm - 1)).toBeLessThan(0.03);
    expect(Math.abs(out.value.inertiaKgM2!.value / truth.inertiaKgM2 - 1)).toBeLessThan(0.04);
  });
});

const belt = TRUE_BASES.belt;
const scale = 65536 / belt.rotationDeg;

/** Feeds an angle over time, degrees. */
function feed(
  guide: ReturnType<typeof spinGuide>,
  from: number,
  seconds: number,
  angle: (s: number) => number,
) {
  for (let i = 0; i < seconds * 250; i++) guide.feed(from + i / 250, Math.round(angle(i / 250) * scale));
  return from + seconds;
}

describe('what is no spin', () => {
  const ready = () => {
    const guide = spinGuide(scale);
    const t = feed(guide, 0, 1.2, () => 3);
    expect(guide.centre()).toBeCloseTo(3 * scale, 0);
    guide.ask({ kind: 'flick', wanted: 4 });
    return { guide, t };
  };

  /** Turned to 120° right and held there. */
  const held = () => {
    const { guide, t } = ready();
    const until = feed(guide, t, 1, (s) => -120 * Math.min(1, s));
    return { guide, t: feed(guide, until, 0.5, () => -120) };
  };

  it('a rim that is turned by hand and stopped is called caught', () => {
    const { guide, t } = held();
    // Six rad/s, held against evenly, then stopped within 50 ms.
    const path = (s: number) => -120 + 344 * Math.min(s, 0.5) - 20 * Math.min(s, 0.5) ** 2;
    feed(guide, t, 1.2, path);
    expect(guide.state.done).toBe(0);
    expect(guide.state.remark).toBe('caught');
  });

  it('turning back from far out is none', () => {
    const { guide, t } = held();
    const out = feed(guide, t, 1, (s) => -120 - 60 * s);
    const still = feed(guide, out, 0.5, () => -180);
    feed(
      guide,
      feed(guide, still, 0.25, (s) => -180 + 300 * s),
      0.5,
      () => -105,
    );
    expect(guide.state).toMatchObject({ done: 0, remark: 'too-short' });
  });

  it('winding up is none, however fast, nor is a slow turn', () => {
    const { guide, t } = ready();
    const wound = feed(guide, t, 0.5, (s) => -120 * (2 * s));
    feed(
      guide,
      feed(guide, wound, 0.4, () => -120),
      3,
      (s) => -120 + 60 * s,
    );
    expect(guide.state.done).toBe(0);
  });

  it('a gap in the reports drops the spin under way', () => {
    const { guide, t } = held();
    const until = feed(guide, t, 0.3, (s) => -120 + 400 * s - 300 * s * s);
    feed(guide, until + 1, 1, () => 0);
    expect(guide.state).toMatchObject({ done: 0, remark: 'gap' });
  });

  it('the second spin starts from the other side', () => {
    const { guide, t } = held();
    const until = feed(guide, t, 1, (s) => -120 + (s < 0.8 ? 480 * s - 300 * s * s : 192));
    expect(guide.state).toMatchObject({ done: 1, remark: 'counted', from: 1 });
    feed(guide, until, 1, () => -100);
    expect(guide.state.motion).toBe('waiting');
    feed(guide, until + 1, 1, () => 100);
    expect(guide.state.motion).toBe('held');
  });

  it('a mass that is held too near the middle is said', () => {
    const { guide, t } = ready();
    guide.ask({ kind: 'pendulum', label: 'pendulum:400@140', wanted: 2 });
    feed(guide, t, 1, () => 40);
    expect(guide.state.remark).toBe('not-that-far');
  });
});
