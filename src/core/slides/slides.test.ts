import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { seededRandom } from '../numeric/random';
import { slowNoise } from '../numeric/slowNoise';
import type { CarSpec } from '../vehicle/carSpec';
import { makeTwoTrack } from '../vehicle/twoTrack';
import { slideDriver, type Unsteady } from './slideDriver';
import { slidingControls, slidingState, steadySlide, type SteadySlide } from './steadySlide';

const DEG = Math.PI / 180;
const DT = 0.001;
const bodies = Object.fromEntries(CARS.map((car) => [car.id, makeTwoTrack(car)]));
const fenwick = bodies['fenwick-six']!;
const found = (radiusM: number, driftDeg: number, body = fenwick): SteadySlide => {
  const slide = steadySlide(body, radiusM, driftDeg * DEG);
  if (!slide) throw new Error(`no slide of ${driftDeg}° on ${radiusM} m`);
  return slide;
};

/** Drives a slide on, and gives the path with how far it was off. */
function driven(slide: SteadySlide, seconds: number, unsteady: Unsteady | null = null, body = fenwick) {
  const state = slidingState(body, slide);
  const controls = slidingControls(slide);
  const driver = slideDriver(body, slide, { x: 0, y: slide.radiusM }, unsteady);
  const path: { x: number; y: number; hand: number }[] = [];
  let [off, turned] = [0, 0];
  for (let i = 0; i < seconds / DT; i++) {
    const hand = driver.step(state, controls, DT);
    body.step(state, controls, DT);
    path.push({ x: state.x, y: state.y, hand });
    off = Math.max(off, Math.abs(Math.hypot(state.x, state.y - slide.radiusM) - Math.abs(slide.radiusM)));
    turned = Math.max(turned, Math.abs(Math.atan2(state.vy, state.vx) - slide.drift) / DEG);
  }
  return { path, off, turned };
}

it('is the slide that was worked out beforehand: Fenwick, 25 m, −20°', () => {
  const slide = found(25, -20);
  expect(slide.speedMps).toBeCloseTo(15.3, 1);
  expect(slide.handRad / DEG).toBeCloseTo(-178, 0);
  expect(slide.columnNm).toBeCloseTo(-11.9, 1);
  expect(slide.gear).toBe(2);
  expect(slide.throttle).toBeCloseTo(0.42, 2);
});

it('stands still in the car’s own equations: no speed, no drift and no turning changes by itself', () => {
  const ids = fc.constantFrom('fenwick-six', 'spindrift-h4');
  let slides = 0;
  fc.assert(
    fc.property(
      ids,
      fc.double({ min: 12, max: 50, noNaN: true }),
      fc.double({ min: -28, max: -9, noNaN: true }),
      fc.boolean(),
      (id, radius, drift, isLeft) => {
        const body = bodies[id]!;
        const side = isLeft ? 1 : -1;
        const slide = steadySlide(body, side * radius, side * drift * DEG);
        if (!slide) return;
        slides++;
        const state = slidingState(body, slide);
        const controls = slidingControls(slide);
        for (let i = 0; i < 50; i++) body.step(state, controls, DT);
        expect(state.vx).toBeCloseTo(slide.vx, 6);
        expect(state.vy).toBeCloseTo(slide.vy, 6);
        expect(state.yawRate).toBeCloseTo(slide.yawRate, 6);
        expect((state.spin[2]! + state.spin[3]!) / 2).toBeCloseTo(slide.omega, 5);
      },
    ),
  );
  expect(slides).toBeGreaterThan(50);
});

it('is the same to the left and to the right', () => {
  const [left, right] = [found(25, -20), found(-25, 20)];
  expect(right.handRad).toBe(-left.handRad);
  expect(right.columnNm).toBeCloseTo(-left.columnNm, 12);
  expect(right).toMatchObject({ speedMps: left.speedMps, throttle: left.throttle, gear: left.gear });
  const [one, other] = [driven(left, 5), driven(right, 5)];
  one.path.forEach(({ x, y, hand }, i) => {
    if (i % 500 > 0) return;
    expect(other.path[i]!.x).toBeCloseTo(x, 6);
    expect(other.path[i]!.y).toBeCloseTo(-y, 6);
    expect(other.path[i]!.hand).toBeCloseTo(-hand, 6);
  });
});

it('needs more hand the more it slides, and goes slower', () => {
  const slides = [-12, -15, -18, -21, -24, -27].map((drift) => found(25, drift));
  for (let i = 1; i < slides.length; i++) {
    expect(slides[i]!.handRad).toBeLessThan(slides[i - 1]!.handRad);
    expect(slides[i]!.speedMps).toBeLessThan(slides[i - 1]!.speedMps);
    expect(slides[i]!.throttle).toBeGreaterThan(slides[i - 1]!.throttle);
  }
});

it.each([-14, -18, -20, -26])('is held for twenty seconds within five centimetres at %d°', (drift) => {
  const { off, turned } = driven(found(25, drift), 20);
  expect(off).toBeLessThan(0.05);
  expect(turned).toBeLessThan(0.5);
});

it.each([1, 2, 3])('is held by hands and feet that tremble, and not so exactly (%d)', (seed) => {
  const random = seededRandom(seed);
  const unsteady = { hand: slowNoise(random, 0.02, 0.15), foot: slowNoise(random, 15, 0.2) };
  const { off, turned } = driven(found(25, -20), 20, unsteady);
  expect(off).toBeGreaterThan(0.02);
  expect(off).toBeLessThan(0.5);
  expect(turned).toBeLessThan(3);
});

it('is none where the car cannot, and says so by being none', () => {
  const marl = bodies['marl-850']!;
  // Its differential is nearly open: the inner wheel spins and the outer one has nothing to slide by.
  expect(steadySlide(marl, 25, -20 * DEG)).toBeNull();
  const locked: CarSpec = { ...marl.car, differential: { share: 0.5, preloadNm: 0 } };
  expect(steadySlide(makeTwoTrack(locked), 25, -20 * DEG)).not.toBeNull();
  expect(steadySlide(bodies['dray-55']!, 25, -20 * DEG)).toBeNull();
  const { engine, ...poweredOnly } = fenwick.car;
  expect(engine).toBeDefined();
  expect(steadySlide(makeTwoTrack(poweredOnly), 25, -20 * DEG)).toBeNull();
  expect(steadySlide(makeTwoTrack({ ...fenwick.car, drive: { frontShare: 0.4 } }), 25, -20 * DEG)).toBeNull();
  expect(steadySlide(makeTwoTrack({ ...fenwick.car, lockDeg: 300 }), 25, -20 * DEG)).toBeNull();
  // A nose that points outward is no slide of this kind.
  expect(steadySlide(fenwick, 25, 20 * DEG)).toBeNull();
});
