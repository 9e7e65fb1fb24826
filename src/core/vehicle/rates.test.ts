import { CARS } from '@/catalog/cars';
import { simulatedRigById, trackById } from '@/catalog/find';
import { forceRecorder } from '../force/forceInputs';
import type { Random } from '../numeric/random';
import { NEUTRAL_LAYER } from '../response/layer';
import { tries } from '../testing/longRun';
import type { CarSpec } from './carSpec';
import { makeDriver } from './driver';
import { pedalChain } from './pedalChain';
import { rideOnRoad } from './rideOnRoad';
import { completeRide, PRESS_IN_HAND, RIDE_RATES, type RideRates } from './simulateRide';
import { planSpeed } from './speedPlan';
import { layTrack, trackLength } from './track';
import { makeTransmission } from './transmission';
import { HANDS_OFF, makeTwoTrack } from './twoTrack';

const EXACTLY: RideRates = { body: 1000, driver: 1000 };
const CALM: Random = { uniform: () => 0.5, normal: () => 0, below: () => 0 };
/** No lap takes so long: a car that stands is no lap, and fails. */
const STUCK_S = 600;
const FOOT = { restTravel: 0, restWander: 0, pressTravel: 0.9, pressSpread: 0 };
const { throttle, brake } = simulatedRigById('tern').pedals;
const setUp = (hardware: NonNullable<typeof brake>) => ({
  hardware: { ...hardware, sigma: 0 },
  calibration: { released: hardware.released, pressed: hardware.pressed },
  layers: [NEUTRAL_LAYER],
});

/** Seconds that a lap takes a driver without any spread, after a run-up of the whole lap before. */
function calmLap(car: CarSpec, trackId: string, rates: RideRates): number {
  const track = layTrack(trackById(trackId));
  const body = makeTwoTrack(car);
  const stepS = 1 / rates.body;
  const pedals = {
    throttle: pedalChain(setUp(throttle!), CALM, rates.body),
    brake: pedalChain(setUp(brake!), CALM, rates.body),
  };
  const reach = pedals.brake.outputAt(FOOT.pressTravel);
  const plan = planSpeed(track, car, (PRESS_IN_HAND * reach * car.fullBrakeN) / car.massKg);
  const decidesS = 1 / rates.driver;
  const driver = makeDriver({ body, track, plan, ...pedals, foot: FOOT, random: CALM, decidesS });
  const road = rideOnRoad(car, track, { isDetailed: false, stepS });
  const transmission = makeTransmission(car, 12, { isAutomatic: true, clutch: 'self' });
  const controls = { ...HANDS_OFF };
  road.setOut(0, 12, 0);
  const crossed: number[] = [];
  for (let before = road.lap; crossed.length < 2 && road.t < STUCK_S; before = road.lap) {
    const hand = driver.step(road.t, stepS, road.state, road.place, controls);
    transmission?.step(road.state, controls, stepS);
    road.step(body, controls, hand);
    // The line is crossed between two steps.
    if (road.lap > before) crossed.push(road.t - road.place.distanceM / road.state.vx);
  }
  return crossed[1]! - crossed[0]!;
}

describe('a ride at several rates', () => {
  const away = (car: CarSpec, rates: RideRates, from: RideRates) =>
    Math.abs(calmLap(car, 'millrace-ring', rates) / calmLap(car, 'millrace-ring', from) - 1);

  it.each(CARS.slice(0, tries(2, CARS.length)).map((car) => [car.id, car] as const))(
    'laps of the %s are within 0.15 % of those in which everything goes at 1 kHz',
    (_, car) => {
      expect(away(car, RIDE_RATES, EXACTLY)).toBeLessThan(0.0015);
      // Halved once more in either, they move no further than that.
      const { body, driver } = RIDE_RATES;
      expect(away(car, { ...RIDE_RATES, body: 2 * body }, RIDE_RATES)).toBeLessThan(0.0015);
      expect(away(car, { ...RIDE_RATES, driver: 2 * driver }, RIDE_RATES)).toBeLessThan(0.0015);
    },
  );

  it('the force is taken down at its own rate, on the line between two steps', () => {
    const ride = {
      car: CARS[0]!,
      track: trackById('cairn-brae'),
      throttle: setUp(throttle!),
      brake: setUp(brake!),
      foot: FOOT,
      laps: 1,
      seed: 3,
    };
    const recorder = forceRecorder(333);
    completeRide(ride, recorder);
    const { t, hand, distanceM } = recorder.finish();
    expect(Math.max(...distanceM)).toBeGreaterThan(trackLength(ride.track) - 70);
    const apart = Array.from(t.slice(1), (at, i) => at - t[i]!);
    for (const one of [Math.min(...apart), Math.max(...apart)]) expect(one).toBeCloseTo(1 / 333, 9);
    // A hand moves evenly: no step of it stands still while its neighbours move.
    const rates = Array.from(hand.slice(1), (at, i) => (at - hand[i]!) * 333);
    const jerks = rates.slice(1).map((rate, i) => Math.abs(rate - rates[i]!));
    expect(Math.max(...jerks)).toBeLessThan(0.5 * Math.max(...rates.map(Math.abs)));
  });
});
