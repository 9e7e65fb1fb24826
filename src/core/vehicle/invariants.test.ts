import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { AIR_DENSITY, GRAVITY } from './carSpec';
import { dragForce, HANDS_OFF, makeTwoTrack, restingState, type Controls } from './twoTrack';

/** What must hold of any car under any hands and feet, whatever its parameters. */
const DT = 1 / 1000;
const STEPS = 1500;
const share = fc.double({ min: 0, max: 1, noNaN: true });

/** Hands and feet that change every quarter second. */
const drive = fc.array(
  fc.record({
    steer: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
    throttle: share,
    brake: fc.oneof(fc.constant(0), share),
  }),
  { minLength: STEPS / 250, maxLength: STEPS / 250 },
);
const at = (plan: readonly Partial<Controls>[], i: number): Controls => {
  const controls = { ...HANDS_OFF, ...plan[Math.floor(i / 250)]! };
  return { ...controls, fuel: controls.throttle };
};
/** Those of the catalogue, and taller ones that lift a wheel. */
const someCar = fc
  .tuple(fc.constantFrom(...CARS), fc.double({ min: 1, max: 2.5, noNaN: true }))
  .map(([car, taller]) => ({ ...car, heightM: taller * car.heightM }));
const someSpeed = fc.double({ min: 8, max: 45, noNaN: true });

it('a car has no favourite side: mirrored hands give the mirrored way', () => {
  fc.assert(
    fc.property(someCar, someSpeed, drive, (car, speed, plan) => {
      const body = makeTwoTrack(car);
      const [one, other] = [restingState(car, speed), restingState(car, speed)];
      // Long enough to slide, too short for the last bits to grow.
      for (let i = 0; i < 700; i++) {
        const controls = at(plan, i);
        body.step(one, controls, DT);
        body.step(other, { ...controls, steer: -controls.steer }, DT);
      }
      expect(other.x).toBeCloseTo(one.x, 6);
      expect(other.y).toBeCloseTo(-one.y, 6);
      expect(other.yawRate).toBeCloseTo(-one.yawRate, 6);
      expect(other.momentMechanical).toBeCloseTo(-one.momentMechanical, 3);
      expect(other.momentPneumatic).toBeCloseTo(-one.momentPneumatic, 3);
    }),
    { numRuns: 40, endOnFailure: true },
  );
});

it('coasting, whatever the hands do, a car gains no energy', () => {
  fc.assert(
    fc.property(someCar, someSpeed, drive, (car, speed, plan) => {
      const body = makeTwoTrack(car);
      const state = restingState(car, speed);
      const energy = () =>
        (car.massKg * (state.vx ** 2 + state.vy ** 2) + car.yawInertiaKgM2 * state.yawRate ** 2) / 2 +
        (car.axleInertiaKgM2 / 4) * state.spin.reduce((sum, w) => sum + w * w, 0);
      const start = energy();
      let least = start;
      let gained = 0;
      for (let i = 0; i < STEPS; i++) {
        body.step(state, { ...at(plan, i), throttle: 0, brake: 0 }, DT);
        least = Math.min(least, energy());
        gained = Math.max(gained, energy() - least);
      }
      // But what a wound tyre gives back.
      expect(gained / start).toBeLessThan(0.01);
    }),
    { numRuns: 40, endOnFailure: true },
  );
});

it('the wheels carry the car and its downforce, no more and no less, and hold no more than they can', () => {
  fc.assert(
    fc.property(someCar, someSpeed, drive, (car, speed, plan) => {
      const body = makeTwoTrack(car);
      const state = restingState(car, speed);
      const lift = 0.5 * AIR_DENSITY * (car.liftAreaFrontM2 + car.liftAreaRearM2);
      let [carriesLeast, carriesMost, lightest, holdsMost] = [Infinity, 0, Infinity, 0];
      for (let i = 0; i < STEPS; i++) {
        const speed2 = state.vx ** 2 + state.vy ** 2;
        body.step(state, at(plan, i), DT);
        const carried = state.load.reduce((sum, load) => sum + load, 0);
        const share = carried / (car.massKg * GRAVITY + lift * speed2);
        carriesLeast = Math.min(carriesLeast, share);
        carriesMost = Math.max(carriesMost, share);
        lightest = Math.min(lightest, ...state.load);
        const air = dragForce(car, Math.sqrt(speed2));
        const held = Math.max(0, Math.hypot(state.ax, state.ay) * car.massKg - air);
        holdsMost = Math.max(holdsMost, held / (car.mu0 * carried));
      }
      expect(lightest).toBeGreaterThanOrEqual(0);
      expect(carriesLeast).toBeGreaterThan(0.999);
      expect(carriesMost).toBeLessThan(1.001);
      // Friction rises a little where the load is light.
      expect(holdsMost).toBeLessThan(1.3);
    }),
    { numRuns: 40, endOnFailure: true },
  );
});
