import { CARS } from '@/catalog/cars';
import { TRACKS } from '@/catalog/tracks';
import { NEUTRAL_LAYER } from '../response/layer';
import { SURFACES } from '../rides/rideLog';
import { measureRide } from '../rides/measureRide';
import { GRAVITY, wheelbaseOf, type CarSpec } from './carSpec';
import type { PedalSetup } from './pedalChain';
import { completeRide, simulateRide, type RidePlan } from './simulateRide';
import { HANDS_OFF, makeTwoTrack, restingState } from './twoTrack';
import { layTrack, moveAlongTrack } from './track';
import { makeTyre } from './tyre';
import { tries } from '../testing/longRun';
import { SMALL_ROAD } from '../testing/smallWorld';

const MARL = CARS[0]!;
const DT = 0.001;
/** Without air and with engine drag undone, so that the closed forms hold. */
const bare: CarSpec = { ...MARL, dragAreaM2: 0 };

describe('tyre', () => {
  const tyre = makeTyre({
    mu0: 1,
    nominalLoadN: 2000,
    loadSensitivity: 0.08,
    cy: 1.3,
    ey: -0.5,
    cx: 1.55,
    ex: 0,
    peakTanAlpha: 0.15,
    peakKappa: 0.11,
  });
  const at = (kappa: number, tanAlpha: number) => {
    const out = { fx: 0, fy: 0 };
    tyre.forces(kappa, tanAlpha, 2000, out);
    return out;
  };

  it('peaks at its peak slip with µ·Fz, both ways', () => {
    expect(at(0, 0.15).fy).toBeCloseTo(2000, 6);
    expect(at(0, 0.14).fy).toBeLessThan(2000);
    expect(at(0, 0.16).fy).toBeLessThan(2000);
    expect(at(0.11, 0).fx).toBeCloseTo(2000, 6);
  });

  it('keeps about three quarters of the peak with the wheel locked', () => {
    expect(at(-1, 0).fx / -2000).toBeGreaterThan(0.7);
    expect(at(-1, 0).fx / -2000).toBeLessThan(0.78);
  });

  it('never passes the friction circle in combined slip', () => {
    for (let i = 0; i < 60; i++) {
      const { fx, fy } = at(0.3 * Math.cos(i), 0.4 * Math.sin(i));
      expect(Math.hypot(fx, fy)).toBeLessThanOrEqual(2000.001);
    }
  });
});

describe('closed forms within 3 %', () => {
  it('steady circle: δ = L/R + K·v²/R at 0.1 g', () => {
    const body = makeTwoTrack(bare);
    const speed = 15;
    const radius = (speed * speed) / (0.1 * GRAVITY);
    const steer = wheelbaseOf(bare) / radius + (body.understeer * speed * speed) / radius;
    const state = restingState(bare, speed);
    for (let i = 0; i < 6000; i++) {
      // Speed is held, as on a test pad; only the turning is under test.
      body.step(state, { ...HANDS_OFF, steer }, DT);
      state.vx = speed;
    }
    expect(body.understeer).toBeGreaterThan(0);
    expect(speed / state.yawRate / radius).toBeGreaterThan(0.97);
    expect(speed / state.yawRate / radius).toBeLessThan(1.03);
  });

  it('braking distance at a set force: v²/(2·F/m) times 1 + ΣI/(r²·m)', () => {
    // Without an engine of its own, whose closed throttle would be another matter.
    const plain = { ...bare };
    delete plain.engine;
    const body = makeTwoTrack(plain);
    const brake = 0.5;
    const [from, to] = [30, 6];
    const state = restingState(plain, from);
    while (state.vx > to) body.step(state, { ...HANDS_OFF, brake }, DT);
    const engine = 0.35 * bare.massKg;
    const inertia = 1 + (2 * bare.axleInertiaKgM2) / (bare.wheelRadiusM ** 2 * bare.massKg);
    const expected =
      (((from ** 2 - to ** 2) / 2) * bare.massKg * inertia) / (brake * bare.fullBrakeN + engine);
    expect(state.x / expected).toBeGreaterThan(0.97);
    expect(state.x / expected).toBeLessThan(1.03);
  });

  it('standing still stays still', () => {
    const body = makeTwoTrack(MARL);
    const state = restingState(MARL, 0);
    for (let i = 0; i < 3000; i++) body.step(state, { ...HANDS_OFF, steer: 0.1, brake: 0.3 }, DT);
    expect(Math.hypot(state.x, state.y)).toBeLessThan(1e-6);
  });
});

describe('Saltmarsh Loop', () => {
  const track = layTrack(TRACKS[0]!);

  it('closes within 0.1 m and is 3402 m long', () => {
    expect(track.gapM).toBeLessThan(0.1);
    expect(track.lengthM).toBeCloseTo(3402, -1);
  });

  it('projects a point beside the line back to its distance and offset', () => {
    const k = 1000;
    const x = track.x[k]! - 2 * Math.sin(track.heading[k]!);
    const y = track.y[k]! + 2 * Math.cos(track.heading[k]!);
    const place = { distanceM: k * track.stepM + 5, offsetM: 0 };
    moveAlongTrack(track, x, y, place);
    expect(place.distanceM).toBeCloseTo(k * track.stepM, 0);
    expect(place.offsetM).toBeCloseTo(2, 1);
  });
});

describe('a ride', () => {
  const hardware = { released: 2100, pressed: 61000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65535 };
  const pedal = (layer = NEUTRAL_LAYER): PedalSetup => ({
    hardware,
    calibration: { released: 2180, pressed: 60930 },
    layers: [layer],
  });
  const plan = (over: Partial<RidePlan> = {}): RidePlan => ({
    car: MARL,
    track: TRACKS[0]!,
    throttle: pedal(),
    brake: pedal(),
    foot: { restTravel: 0.031, restWander: 0.0025, pressTravel: 0.87, pressSpread: 0.016 },
    laps: 2,
    seed: 3,
    ...over,
  });

  it('gives the same bits for the same seed and other laps for another', () => {
    const a = completeRide(plan({ laps: 1, track: SMALL_ROAD }));
    const b = completeRide(plan({ laps: 1, track: SMALL_ROAD }));
    const c = completeRide(plan({ laps: 1, track: SMALL_ROAD, seed: 4 }));
    expect(b.columns).toEqual(a.columns);
    expect(c.columns.speed_mps).not.toEqual(a.columns.speed_mps);
  });

  it('counts its laps, stays on the road, and shows what the brake costs', () => {
    const before = measureRide(completeRide(plan()));
    const after = measureRide(
      completeRide(plan({ brake: pedal({ ...NEUTRAL_LAYER, deadzone: 0.05, saturation: 0.83 }) })),
    );
    for (const ride of [before, after]) expect(ride.laps.filter((lap) => lap.counted)).toHaveLength(2);
    expect(before.laps[0]).toMatchObject({ counted: false, why: 'out-lap' });
    expect(before.summary.brakeDrag!).toBeGreaterThan(0.9);
    expect(before.summary.brakeReach).toBe(0);
    expect(after.summary.brakeDrag!).toBeLessThan(0.01);
    expect(after.summary.brakeReach!).toBeGreaterThan(0.7);
    expect(after.summary.lapTimeS!).toBeLessThan(before.summary.lapTimeS! - 0.5);
  });

  it('says how far it is while it runs, and can be left at any time', () => {
    const steps = simulateRide(plan());
    const shares = Array.from({ length: 20 }, () => steps.next().value).map(
      (p) => (p as { share: number }).share,
    );
    expect(shares.every((share, i) => i === 0 || share >= shares[i - 1]!)).toBe(true);
    expect(shares.at(-1)!).toBeGreaterThan(0);
  });

  it.each(TRACKS.filter(({ closed }) => !closed).map(({ id }) => id))(
    '%s is driven from its start to its end, again and again, by every car',
    (id) => {
      const track = TRACKS.find((one) => one.id === id)!;
      for (const car of CARS.filter((_, i) => i % tries(2, 1) === 0)) {
        const log = completeRide(plan({ car, track }));
        const { laps } = measureRide(log);
        expect(laps.map(({ why }) => why)).toEqual([null, null, 'in-lap']);
        expect(Math.max(...log.columns.surface!)).toBeLessThan(SURFACES.indexOf('offtrack'));
      }
    },
  );

  it('the inner wheel runs over the kerbs of the chicane, and nowhere else', () => {
    const { surface, distance_m: distance } = completeRide(plan({ laps: 1 })).columns;
    const at = [...surface!.keys()].filter((i) => surface![i] === SURFACES.indexOf('kerb'));
    expect(at.length).toBeGreaterThan(50);
    for (const i of at) {
      expect(distance![i]).toBeGreaterThan(1500);
      expect(distance![i]).toBeLessThan(2000);
    }
  });
});
