import { analysePedal } from '@/core/axes/analysePedal';
import { recommendPedal } from '@/core/axes/recommend';
import { analyseSteering } from '@/core/axes/analyseSteering';
import { programmeFor } from '@/core/axes/programme';
import { simulateCapture, simulateGuidedCapture } from '@/core/axes/simulateCapture';
import { titleById } from '@/catalog/find';
import { layerFromSettings } from '@/core/response/settings';
import type { Comparison } from '@/core/decide/compareRides';
import type { Smoothness } from '@/core/force/detail';
import type { ChartPalette } from '@/ui/chartTheme';
import { captureLines, captureOption } from './axes/captureChart';
import { axisFinding } from './axes/finding';
import { historyOption } from './axes/historyChart';
import { promptOf, remarkText } from './axes/prompts';
import { captureTrace } from '@/core/axes/captureTrace';
import { CLIP_MARKS, forceOption } from './force/forceChart';
import { panelOf } from './force/panels';
import { bandsOption, frontierOption } from './force/smoothChart';
import { rideOption } from './ride/rideChart';
import { curvePoints, shapeOption } from './shape/shapeChart';
import { stepsOption } from './shape/stepsChart';
import { verdictOption } from './verdict/verdictChart';
import { trustSentence, verdictSentence } from './verdict/verdictWords';

const palette = Object.fromEntries(
  [
    'ground',
    'raised',
    'ink',
    'muted',
    'line',
    'lichen',
    'rust',
    'brake',
    'throttle',
    'steering',
    'clutch',
    'handbrake',
    'sideA',
    'sideB',
  ].map((name) => [name, `#${name}`]),
) as unknown as ChartPalette;
const dialect = titleById('causeway').dialects.brake;
const recording = simulateCapture({
  axis: 'brake',
  device: 'x',
  hardware: { released: 2100, pressed: 61000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65535 },
  habits: { restTravel: 0.031, restWander: 0.0025, pressTravel: 0.87, pressSpread: 0.016 },
  rateHz: 250,
  seed: 2,
});
const result = analysePedal(recording, 'brake');
if (!result.ok) throw new Error('the capture of these tests must stand');
const analysis = result.value;
const neutral = layerFromSettings(dialect, {});

interface Drawn {
  series: { name: string; data: number[][]; lineStyle: { color: string; type?: unknown } }[];
}

describe('Axes', () => {
  const trace = captureTrace(recording, 'brake', analysis);

  it('draws few points and loses no peak', () => {
    expect(trace.t.length).toBeLessThan(1500);
    expect(Math.max(...trace.value)).toBeGreaterThan(0.999);
    expect(trace.phases.map((p) => p.label)).toEqual(['rest', 'cover', 'sweep', 'press']);
    const { series } = captureOption(trace, analysis, neutral, palette) as unknown as Drawn;
    expect(series[0]!.lineStyle.color).toBe('#brake');
    expect(series[1]!.data).toHaveLength(6);
  });

  it('says what should be, until it is', () => {
    expect(captureLines(analysis, neutral).map((l) => l.text)).toEqual([
      'should start here',
      '100 % should be here',
    ]);
    const advice = recommendPedal(analysis, dialect, {});
    expect(advice.map((a) => a.key)).toEqual(['deadzone', 'saturation']);
    expect(axisFinding(analysis, advice)).toBe('The brake drags, and full is out of reach');
    const values = Object.fromEntries(advice.map((a) => [a.key, a.to]));
    expect(recommendPedal(analysis, dialect, values)).toEqual([]);
    expect(captureLines(analysis, layerFromSettings(dialect, values)).map((l) => l.text)).toEqual([
      'starts here',
      '100 % from here',
    ]);
    expect(axisFinding(analysis, [])).toBe('The brake rests at 0 and reaches 100 %');
  });

  it('marks worn track at its place, and draws no band on a clean one', () => {
    const rough = { ...analysis, roughSpots: [{ from: 0.42, to: 0.5, ratio: 6 }] };
    const bands = (a: typeof analysis) =>
      (
        captureOption(trace, a, neutral, palette) as unknown as {
          series: { markArea?: { data: { yAxis?: number }[][] } }[];
        }
      ).series
        .flatMap((s) => s.markArea?.data ?? [])
        .filter((d) => d[0]?.yAxis !== undefined);
    expect(bands(rough).map((d) => d.map((end) => end.yAxis))).toEqual([[42, 50]]);
    expect(bands(analysis)).toEqual([]);
  });

  it('draws the steering in degrees, left up, with every hold at its angle', () => {
    const wheel = simulateGuidedCapture({
      axis: 'steering',
      device: 'x',
      rateHz: 250,
      seed: 3,
      steps: programmeFor('steering', { rotationDeg: 900 }),
      simulated: {
        kind: 'wheel',
        hardware: { left: 200, right: 65300, sigma: 6, quantum: 1, rangeMin: 0, rangeMax: 65535 },
        habits: { rotationDeg: 900, centreDeg: 0, hysteresisDeg: 2, handErrorDeg: 1 },
      },
    });
    const turned = analyseSteering(wheel);
    if (!turned.ok) throw new Error('the wheel must be measured');
    const drawn = captureTrace(wheel, 'steering', turned.value);
    expect(Math.max(...drawn.value)).toBeGreaterThan(445);
    const { series } = captureOption(drawn, turned.value, neutral, palette) as unknown as Drawn;
    expect(series[1]!.data.map(([, degrees]) => degrees)).toEqual([90, -90, 360, -360]);
    expect(axisFinding(turned.value, [])).toBe('The wheel turns 900° from lock to lock');
  });

  it('puts every remark of the guide, and every step, in words', () => {
    expect(remarkText({ kind: 'press-stopped-early', share: 0.4, others: 0.86 })).toBe(
      'That press stopped at 40 %, the others at 86 %. Not counted.',
    );
    expect(remarkText({ kind: 'none' })).toBe('');
    expect(remarkText({ kind: 'short-on-one-side', side: 'left', share: 0.8 })).toMatch(
      /^The left side ended at 80 %/,
    );
    for (const axis of ['steering', 'brake', 'handbrake', 'gear', 'paddle_left'] as const)
      programmeFor(axis, { takeup: true, rotationDeg: 900 }).forEach((step, at) => {
        const { title, how } = promptOf(axis, step, at);
        expect(`${title} ${how}`).toMatch(/^[A-Z].+[.]$/);
        expect(`${title} ${how}`).not.toMatch(/undefined|NaN|_/);
      });
    expect(
      promptOf('steering', { kind: 'hold', label: 'hold:-360', wanted: 1, least: 1, degrees: -360 }, 3).title,
    ).toBe('Hold a full turn to the right');
  });
});

it('History draws the noise towards its dead zone, the trend on to the date, and the end below', () => {
  const points = Array.from({ length: 6 }, (_, i) => ({
    atMs: i * 7 * 86_400_000,
    noise: 0.002 + 0.001 * i,
    low: 0,
    high: 1 - 0.006 * i,
    roughSpots: [],
  }));
  const line = { perDay: 0, interval: [0, 0] as [number, number], through: { atMs: 0, value: 0.01 } };
  const outgrows = { atMs: 8 * 7 * 86_400_000, earliestMs: 0, latestMs: null };
  const option = historyOption(
    { points, noise: line, high: line, low: null, outgrows },
    'throttle',
    0.03,
    palette,
  );
  const { series } = option as unknown as Drawn;
  expect(series.map((s) => s.name)).toEqual([
    'Noise, 3σ',
    'Trend of the noise',
    'Full end',
    'Trend of the end',
  ]);
  expect(series[1]!.data.at(-1)![0]).toBe(outgrows.atMs);
  expect(series[0]!.data[5]![1]).toBeCloseTo(2.1, 9);
});

it('Shape draws the tried curve over the kept one, and where the foot rests and presses', () => {
  const tried = [layerFromSettings(dialect, { deadzone: 5, saturation: 17 })];
  expect(curvePoints(tried).at(-1)).toEqual([100, 100]);
  const { series } = shapeOption(
    tried,
    [neutral],
    { axis: 'brake', cover: 0.036, press: null, ridden: [0, 0.5, 0.5], pressed: [1, 0, 0] },
    palette,
  ) as unknown as Drawn & {
    series: { markLine?: { data: { xAxis: number }[] } }[];
  };
  expect(series.map((s) => [s.name, s.lineStyle?.color])).toEqual([
    ['Newest ride', undefined],
    ['Newest capture', '#brake'],
    ['Slope', '#muted'],
    ['Kept', '#muted'],
    ['Tried', '#brake'],
  ]);
  expect(series[0]!.data.map(([, height]) => height)).toEqual([0, 22, 22]);
  expect(series[4]!.markLine!.data.map((d) => d.xAxis.toFixed(2))).toEqual(['3.60']);
});

it('the first steps of a sensor are stairs, in degrees of the hands for a wheel', () => {
  const steps = [
    { at: 0, out: 0 },
    { at: 0.01, out: 0.02 },
  ];
  const drawn = stepsOption({ axis: 'steering', steps, kept: steps, fullAtDeg: 450 }, palette);
  const { series } = drawn as unknown as { series: (Drawn['series'][number] & { step: string })[] };
  expect(series[1]!.data).toEqual([
    [0, 0],
    [4.5, 2],
  ]);
  expect(series.map((s) => [s.name, s.step])).toEqual([
    ['Kept', 'end'],
    ['Tried', 'end'],
  ]);
});

it('Ride and Verdict tell their lines apart by hue, stroke and mark', () => {
  const trace = { stepM: 4, brake: [0, 0.5, 1], throttle: [1, 0.5, 0], speed: [100, 80, 60] };
  const ride = (rideOption(trace, palette) as unknown as Drawn).series;
  expect(new Set(ride.map((s) => `${s.lineStyle.color}/${String(s.lineStyle.type)}`)).size).toBe(3);
  const pair = (verdictOption(trace, trace, palette) as unknown as Drawn).series;
  expect(pair.map((s) => [s.name, s.lineStyle.color, s.lineStyle.type])).toEqual([
    ['A', '#sideA', 'solid'],
    ['B', '#sideB', 'dashed'],
  ]);
  expect(pair[0]!.data).toEqual([
    [0, 0],
    [4, 50],
    [8, 100],
  ]);
});

describe('Verdict in words', () => {
  const measure = (
    name: Comparison['name'],
    unit: Comparison['unit'],
    meanA: number,
    meanB: number,
    half: number,
    n = 3,
  ): Comparison => ({
    name,
    label: name,
    unit,
    meanA,
    meanB,
    difference: meanB - meanA,
    interval: [meanB - meanA - half, meanB - meanA + half],
    p: 0.1,
    pHolm: 0.3,
    verdict: 'no difference shown',
    smallestShown: 0.5,
    nA: n,
    nB: n,
  });

  it('says what changed, most telling first', () => {
    const all = [
      measure('brakeDrag', 'share', 1, 0, 0),
      measure('brakeReach', 'share', 0, 1, 0),
      measure('lapTimeS', 's', 115.6, 113.4, 0.2),
    ];
    expect(verdictSentence(all)).toBe(
      'With B the brake no longer drags (it did on 100 % of the full throttle), 100 % of the full presses show 100 % instead of 0 % and a lap is 2.20 s shorter',
    );
    expect(verdictSentence([measure('lapTimeS', 's', 115.6, 115.5, 0.4)])).toBe(
      'No difference that these laps could show',
    );
    expect(verdictSentence([measure('lapTimeS', 's', 113, 115, 0.4)])).toBe('With B a lap is 2.00 s longer');
  });

  it('calls three laps a side few, and five enough', () => {
    expect(trustSentence([measure('lapTimeS', 's', 1, 2, 0.1)])).toMatch(
      /^3 laps against 3: .*best possible p 0\.10/,
    );
    expect(trustSentence([measure('lapTimeS', 's', 1, 2, 0.1, 5)])).toMatch(
      /^5 laps against 5: 0 of 1 measures differ/,
    );
  });
});

describe('Force', () => {
  type Series = { name: string; type: string; data: (number | null)[] | number[][] };
  const seriesOf = (option: unknown) => (option as { series: Series[] }).series;
  const smooth = (roughness: number, detail: number | null): Smoothness => ({
    bands: [
      { fromHz: 8, toHz: 20, kept: 0.5, addedNm: 0.01 },
      { fromHz: 60, toHz: 200, kept: null, addedNm: 0.2 },
    ],
    detail,
    roughness,
    stepsPerMin: 0,
  });
  const points = [2.8, 1.2, 0.7].map((roughness, i) => ({
    interpolation: null,
    smoothing: i,
    roughness,
    detail: 0.9 - 0.2 * i,
  }));

  it('shows the setting in force among all that are possible, and the one that was kept as a ghost', () => {
    const names = (kept: Smoothness | null) =>
      seriesOf(frontierOption(points, smooth(1.2, 0.7), kept, palette)).map(({ name }) => name);
    expect(names(null)).toEqual(['Possible', 'Smoothing', 'now']);
    expect(names(smooth(2.8, 0.9))).toEqual(['Possible', 'Smoothing', 'kept', 'now']);
    const now = seriesOf(frontierOption(points, smooth(1.2, 0.7), null, palette)).at(-1)!;
    expect(now.data).toEqual([[1.2, 70]]);
  });

  it('draws no bar where a title is too slow to say anything', () => {
    expect(seriesOf(bandsOption(smooth(1, 0.9), null, palette))[0]!.data).toEqual([50, null]);
  });

  it('marks every kind of clipping with a shape of its own, above the force', () => {
    const trace = { stepM: 4, level: [0.5, 1.2, -1.3], kind: [null, 'impact', 'sustained'] as const };
    const option = forceOption({ trace: { ...trace, kind: [...trace.kind] } }, null, palette);
    const marks = seriesOf(option).filter(({ type }) => type === 'scatter');
    expect(marks.map(({ name, data }) => [name, data.length])).toEqual([
      ['Clipped: held at the limit', 1],
      ['Clipped: a hit', 1],
      ['Clipped: short', 0],
    ]);
    expect(new Set(Object.values(CLIP_MARKS).map(({ symbol }) => symbol)).size).toBe(3);
  });

  it('opens the part that is asked for, and the first where none of that name is', () => {
    expect(panelOf('smooth')).toBe('smooth');
    expect(panelOf('nonsense')).toBe('strength');
    expect(panelOf(undefined)).toBe('strength');
  });
});
