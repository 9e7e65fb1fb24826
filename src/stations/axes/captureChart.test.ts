import { titleById } from '@/catalog/find';
import { analysePedal } from '@/core/axes/analysePedal';
import { analyseSteering } from '@/core/axes/analyseSteering';
import { captureTrace } from '@/core/axes/captureTrace';
import { programmeFor } from '@/core/axes/programme';
import { recommendPedal } from '@/core/axes/recommend';
import { simulateCapture, simulateGuidedCapture } from '@/core/axes/simulateCapture';
import { layerFromSettings } from '@/core/response/settings';
import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { axisFinding } from '@/words/axisFinding';
import { captureLines, captureOption } from './captureChart';

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

describe('the picture of a capture', () => {
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
    expect(advice.map((a) => a.parameter)).toEqual(['deadzone', 'saturation']);
    expect(axisFinding(analysis, advice)).toBe('The brake drags, and full is out of reach');
    const values = Object.fromEntries(advice.map((a) => [a.key.field, a.to]));
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
});
