import { carById, trackById } from '@/catalog/find';
import { DRILL_TRACK, drillCircle, drillOptions, drillStretch } from '../drills/course';
import { DRILL_NAMES, drillOf, measureDrill, type DrillName } from '../drills/measureDrill';
import { NEUTRAL_LAYER } from '../response/layer';
import { layTrack } from '../vehicle/track';
import { liveDrive } from './liveDrive';
import { BY_ITSELF } from './shifting';

const hardware = { released: 2100, pressed: 61_000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65_535 };
const setup = { hardware, calibration: { released: 2180, pressed: 60_930 }, layers: [NEUTRAL_LAYER] };
const TRACK = trackById(DRILL_TRACK);

/** An attempt of a drill in real time, as its page drives it. */
function attempt(carId: string, drill: DrillName) {
  const car = carById(carId);
  const drive = liveDrive({
    ...{ car, track: TRACK, shifting: BY_ITSELF, laps: 1, stretch: drillStretch(drill, layTrack(TRACK)) },
    axes: {
      wheel: { centre: 0, countsPerDeg: 1, gain: 1, lockDeg: car.lockDeg, layers: [] },
      pedals: {},
    },
    standIn: {
      ...{ throttle: setup, brake: setup, seed: 3, drill },
      foot: { restTravel: 0.02, restWander: 0.001, pressTravel: 0.8, pressSpread: 0.02 },
    },
  });
  let frame = drive.tick(0);
  for (let ms = 4; frame.state !== 'over' && ms < 60_000; ms += 4) frame = drive.tick(ms);
  expect(frame.isWhole).toBe(true);
  const measured = measureDrill(drill, drive.log(), drillOptions(layTrack(TRACK), car));
  return measured.ok ? measured.value.measures : measured.problems[0]!.code;
}

it.each(DRILL_NAMES)('the stand-in takes the part of %s, and its merit can be told', (name) => {
  // No throttle holds the Marl in a slide: its inner wheel spins.
  const measures = attempt(name === 'hold-angle' ? 'fenwick-six' : 'marl-850', name);
  expect(measures).toMatchObject({ [drillOf(name).leading]: expect.any(Number) as number });
});

it('its brake peaks are those of its foot; its circle is the circle; its slide is caught', () => {
  const peaks = attempt('fenwick-six', 'brake-peak') as Record<string, number>;
  expect(peaks['presses']).toBeGreaterThanOrEqual(6);
  expect(peaks['peakMean']).toBeCloseTo(0.8, 1);
  expect(peaks['peakSd']).toBeLessThan(0.05);
  expect((attempt('fenwick-six', 'circle') as Record<string, number>)['radiusM']).toBeCloseTo(25, 0);
  const caught = attempt('fenwick-six', 'catch') as Record<string, number>;
  expect(caught['spins']).toBe(0);
  expect(caught['largestSlipDeg']).toBeGreaterThan(10);
  expect(caught['largestSlipDeg']).toBeLessThan(60);
  expect(caught['settleS']).toBeLessThan(3);
});

it('sets slides off by the handbrake, alike as far as the car lets it; and holds one, where a car can be held', () => {
  const again = attempt('fenwick-six', 'initiate') as Record<string, number>;
  expect(again['slides']).toBeGreaterThanOrEqual(3);
  expect(again['byHandbrake']).toBe(again['slides']);
  expect(again['spins']).toBe(0);
  const held = attempt('fenwick-six', 'hold-angle') as Record<string, number>;
  expect(held['heldS']).toBeGreaterThan(15);
  expect(Math.abs(held['slipMeanDeg']! - 20)).toBeLessThan(6);
  expect(held['slipSdDeg']).toBeLessThan(3);
  expect(held['spins']).toBe(0);
  expect(attempt('marl-850', 'hold-angle')).toBe('no-hold-angle');
});

it('a heavy truck does not slide on that circle, and that is said by name', () =>
  expect(attempt('dray-55', 'eight')).toBe('no-eight'));

it('the circle of the place has 25 m', () => expect(drillCircle(layTrack(TRACK))!.r).toBeCloseTo(25, 1));
