import fc from 'fast-check';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import type { AxisView } from '../model/axisView';
import type { BookView } from '../model/bookView';
import { centreRatio, notesOf, pedalAnalysis, sensorSteps, shapeFinding, shareOf } from './shape';

const view = {
  names: { rig: 'Loft', title: 'Ferry Lane', car: 'Brook 12', driver: 'Late shift' },
  rotation: { baseDeg: 900, titleDeg: 900, carDeg: 900, carOwnDeg: 900, isStretch: false },
  car: { steeringRatio: 15 },
} as unknown as BookView;
const RANGE = { min: 0, max: 1000 };

const pedal = (part: object = {}) =>
  ({
    axis: 'brake',
    name: 'Brake',
    capture: {
      analysis: {
        axis: 'brake',
        calibration: { released: 200, pressed: 800 },
        min: 200,
        max: 800,
        quantum: 4,
        coverTravel: null,
        pressMean: null,
        ...part,
      },
    },
  }) as unknown as AxisView;
const wheel = (part: object | null = {}) =>
  ({
    axis: 'steering',
    name: 'Steering',
    capture: part && {
      analysis: { axis: 'steering', min: 0, max: 1000, centre: 500, quantum: 1, ...part },
    },
  }) as unknown as AxisView;
const start = (deadzone: number) => [{ ...NEUTRAL_LAYER, deadzone }];

describe('where a reading lies on the curve', () => {
  it('of a measured pedal between its own ends, cut off beyond them', () => {
    expect(shareOf(pedal(), 200, RANGE)).toBe(0);
    expect(shareOf(pedal(), 500, RANGE)).toBe(0.5);
    expect(shareOf(pedal(), 950, RANGE)).toBe(1);
  });

  it('of one that is not measured over the device’s range; of a wheel from its middle', () => {
    const unmeasured = { ...pedal(), capture: null } as AxisView;
    expect(shareOf(unmeasured, 250, RANGE)).toBe(0.25);
    expect(shareOf(wheel(null), 500, RANGE)).toBe(0);
    expect(shareOf(wheel(null), 0, RANGE)).toBe(1);
    expect(shareOf(wheel(null), 1000, RANGE)).toBe(1);
  });

  it('always from 0 to 1', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1000 }), fc.constantFrom(pedal(), wheel(null)), (raw, axis) => {
        const share = shareOf(axis, raw, RANGE);
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('what the sensor tells apart', () => {
  it('steps from released to full, or from the centre to a lock', () => {
    expect(sensorSteps(pedal())).toBe(150);
    expect(sensorSteps(wheel())).toBe(500);
    expect(sensorSteps(wheel(null))).toBeNull();
    expect(sensorSteps(pedal({ quantum: 0 }))).toBeNull();
  });

  it('a pedal’s analysis is a pedal’s alone', () => {
    expect(pedalAnalysis(pedal())?.axis).toBe('brake');
    expect(pedalAnalysis(wheel())).toBeNull();
  });
});

describe('what is said of the response', () => {
  it('of a foot that rests and presses', () => {
    const measured = pedal({ coverTravel: { p995: 0.04 }, pressMean: 0.9 });
    expect(shapeFinding(view, measured, [NEUTRAL_LAYER])).toBe(
      'Your resting foot gives 4.0 %, your full press gives 90 %',
    );
    expect(shapeFinding(view, measured, [{ ...NEUTRAL_LAYER, deadzone: 0.05, saturation: 0.9 }])).toBe(
      'A resting foot does nothing, your full press gives 100 %',
    );
    expect(shapeFinding(view, { ...pedal(), capture: null } as AxisView, [NEUTRAL_LAYER])).toBe(
      'The brake curve',
    );
  });

  it('of a wheel: what steers nothing before all else, then how lively the centre is', () => {
    expect(shapeFinding(view, wheel(), start(0.02))).toBe('The first 9.0° each way steer nothing');
    expect(shapeFinding(view, wheel(), [NEUTRAL_LAYER])).toBe('The steering is linear from lock to lock');
    const power = (gamma: number) => [{ ...NEUTRAL_LAYER, curve: { kind: 'power', gamma } as const }];
    expect(shapeFinding(view, wheel(), power(2))).toBe('Calmer around centre than at the locks');
    expect(shapeFinding(view, wheel(), power(0.5))).toBe('Livelier around centre than at the locks');
  });

  it('road wheels turn by the ratio of the car around the centre, and by no ratio that is unbounded', () => {
    expect(centreRatio(view, [NEUTRAL_LAYER])).toBeCloseTo(1 / 15, 12);
    expect(centreRatio(view, [{ ...NEUTRAL_LAYER, curve: { kind: 'power', gamma: 0.5 } }])).toBeNull();
  });

  it('two dead zones one behind the other are named by where they stand', () => {
    const layers = [...start(0.05), ...start(0.1), NEUTRAL_LAYER];
    const doubled = notesOf(view, pedal(), layers).find(({ code }) => code === 'doubled-dead-zone');
    expect(doubled?.text).toMatch(/5\.0 % in the base and 10 % in Ferry Lane/);
  });
});
