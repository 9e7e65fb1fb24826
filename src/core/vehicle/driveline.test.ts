import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { carById } from '@/catalog/find';
import { GRAVITY, wheelbaseOf, type CarSpec } from './carSpec';
import { clutchCapacity, clutchTravelFor } from './driveline';
import { driveForce, movedMass } from './driveForce';
import { drivelineOf, gearing, radps, rpmOf } from './drivelineSpec';
import { burn, idling, makeEngine } from './engine';
import { gearAt, makeGearbox, shiftSpeeds } from './gearbox';
import { makeTransmission } from './transmission';
import { HANDS_OFF, makeTwoTrack, restingState, type BodyState, type Controls } from './twoTrack';

fc.configureGlobal({ seed: 11 });

const DT = 0.001;
const MARL = carById('marl-850');
const FENWICK = carById('fenwick-six');
const driven = CARS.map((car) => [car.id, car] as const);
const spec = (car: CarSpec) => drivelineOf(car)!;
const airless = (car: CarSpec): CarSpec => ({ ...car, dragAreaM2: 0 });

/** Lets a car stand with its engine at a speed. */
function standing(car: CarSpec, rpm: number): BodyState {
  const state = restingState(car, 0);
  Object.assign(state.engine, idling(radps(rpm)));
  return state;
}

describe('engine', () => {
  it.each(driven)('%s gives exactly its power at its speed, nowhere more, and pulls from below', (_, car) => {
    const { engine } = spec(car);
    const made = makeEngine(engine, car.powerKw);
    const power = (rpm: number) => (made.torque(radps(rpm)) * radps(rpm)) / 1000;
    expect(power(engine.powerRpm)).toBeCloseTo(car.powerKw, 9);
    for (let rpm = 100; rpm < engine.limitRpm; rpm += 50)
      expect(power(rpm)).toBeLessThanOrEqual(car.powerKw + 1e-9);
    expect(made.torque(0)).toBeGreaterThanOrEqual(made.torque(radps(engine.torqueRpm)) / 2);
  });

  it.each(driven)('%s idles by itself, and its limiter holds it', (_, car) => {
    const made = makeEngine(spec(car).engine, car.powerKw);
    const run = (from: number, pedal: number, seconds: number) => {
      const state = idling(from);
      let most = 0;
      for (let i = 0; i < seconds / DT; i++) {
        burn(made, state, pedal, 1 - Math.exp(-DT / spec(car).engine.lagS));
        state.omega += (state.torque / made.inertia) * DT;
        most = Math.max(most, state.omega);
      }
      return { at: state.omega, most };
    };
    expect(run(made.idle * 1.5, 0, 8).at / made.idle).toBeCloseTo(1, 1);
    // The cut comes without the lag: nothing runs away above it.
    expect(run(made.idle, 1, 5).most / made.limit).toBeLessThan(1.02);
  });

  it('the pedal for a torque gives that torque', () => {
    const made = makeEngine(spec(MARL).engine, MARL.powerKw);
    fc.assert(
      fc.property(
        fc.double({ min: 150, max: 600, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (omega, u) => {
          expect(made.throttleFor(made.indicated(omega, u), omega)).toBeCloseTo(u, 9);
        },
      ),
    );
  });
});

describe('clutch', () => {
  it('carries nothing above its bite, all below its full, and the travel for a torque is where it carries that', () => {
    const { clutch } = spec(FENWICK);
    expect(clutchCapacity(clutch, clutch.bite)).toBe(0);
    expect(clutchCapacity(clutch, clutch.full)).toBe(clutch.torqueNm);
    for (const torque of [20, 200, 500])
      expect(clutchCapacity(clutch, clutchTravelFor(clutch, torque))).toBeCloseTo(torque, 9);
  });

  it('a free engine let in gives ½·J_e·J_v/(J_e + J_v)·ω² to the clutch, within 1 %', () => {
    const { engine, clutch, gears } = spec(MARL);
    const free: CarSpec = {
      ...airless(MARL),
      engine: { ...engine, idleRpm: 100, dragNm: 0, dragNmPerRadps: 0 },
      clutch: { ...clutch, torqueNm: 60 },
    };
    const body = makeTwoTrack(free);
    const state = standing(free, rpmOf(300));
    for (let i = 0; i < 6000; i++) body.step(state, { ...HANDS_OFF, gear: 1 }, DT);
    const n = gearing(gears, 1);
    const carried = (MARL.massKg * MARL.wheelRadiusM ** 2 + 2 * MARL.axleInertiaKgM2) / (n * n);
    const expected = (0.5 * engine.inertiaKgM2 * carried * 300 ** 2) / (engine.inertiaKgM2 + carried);
    expect(state.clutchHeatJ / expected).toBeGreaterThan(0.99);
    expect(state.clutchHeatJ / expected).toBeLessThan(1.01);
  });

  it('let in with a dead foot on a level road it stalls the engine, which starts again once it is pressed', () => {
    const body = makeTwoTrack(MARL);
    const state = standing(MARL, 850);
    for (let i = 0; i < 1500; i++) body.step(state, { ...HANDS_OFF, gear: 1, brake: 0.5 }, DT);
    expect(state.engine.omega).toBe(0);
    for (let i = 0; i < 2500; i++) body.step(state, { ...HANDS_OFF, gear: 1, clutch: 1 }, DT);
    expect(rpmOf(state.engine.omega)).toBeGreaterThan(700);
  });
});

describe('closed forms of a car that is driven', () => {
  it('in one gear: ∫ m_moved/F dv, with the slip of its tyres, within 1 %', () => {
    const car = airless(MARL);
    const body = makeTwoTrack(car);
    const { engine } = body.driveline!;
    const gear = 3;
    const n = gearing(spec(car).gears, gear);
    const [from, to] = [18, 30];
    const state = restingState(car, from - 1);
    state.engine.omega = (n * (from - 1)) / car.wheelRadiusM;
    let [began, t] = [0, 0];
    for (; state.vx < to; t += DT) {
      body.step(state, { ...HANDS_OFF, gear, throttle: 1, fuel: 1 }, DT);
      if (state.vx < from) began = t + DT;
    }
    let closed = 0;
    const out = { fx: 0, fy: 0 };
    const perSlip = (load: number) => (body.tyreRear.forces(1e-4, 0, load, out), (2 * out.fx) / 1e-4);
    for (let v = from; v < to; v += 0.001) {
      let kappa = 0;
      let force = 0;
      for (let k = 0; k < 4; k++) {
        force = (engine.torque((n * v * (1 + kappa)) / car.wheelRadiusM) * n) / car.wheelRadiusM;
        const along = (force * car.massKg) / movedMass(car, spec(car), gear);
        const load = body.loadRear + (along * car.heightM) / wheelbaseOf(car) / 2;
        kappa = along / perSlip(load);
      }
      closed += (movedMass(car, spec(car), gear) / force) * 0.001;
    }
    expect((t - began) / closed).toBeGreaterThan(0.99);
    expect((t - began) / closed).toBeLessThan(1.01);
  });

  it.each([MARL, FENWICK].map((car) => [car.id, car] as const))(
    '%s: what its driven tyres hold, with the load that they get, within 4 %%',
    (_, plain) => {
      const car = { ...airless(plain), powerKw: 3 * plain.powerKw };
      const body = makeTwoTrack(car);
      const state = restingState(car, 6);
      let [most, mean] = [0, 0];
      // A foot that comes down slowly: somewhere on its way the rears are at their peak.
      for (let i = 0; i < 2500; i++) {
        const fuel = i / 2500;
        body.step(state, { ...HANDS_OFF, gear: 2, throttle: fuel, fuel }, DT);
        mean += ((state.ax - mean) * DT) / 0.03;
        most = Math.max(most, mean);
      }
      let a = 5;
      for (let k = 0; k < 50; k++) {
        const rear = (car.massKg * (GRAVITY * car.frontM + a * car.heightM)) / wheelbaseOf(car);
        a = (body.tyreRear.friction(rear / 2) * rear) / car.massKg;
      }
      // The free front wheels are turned too.
      const closed = a / (1 + car.axleInertiaKgM2 / (car.massKg * car.wheelRadiusM ** 2));
      expect(most / closed).toBeGreaterThan(0.96);
      expect(most / closed).toBeLessThan(1.04);
    },
  );

  const sprint = (car: CarSpec, to: { mps?: number; m?: number }, dt = DT) => {
    const body = makeTwoTrack(car);
    const transmission = makeTransmission(car, 0, { isAutomatic: true, clutch: 'self' })!;
    const state = restingState(car, 0);
    const controls: Controls = { ...HANDS_OFF, throttle: 1 };
    let t = 0;
    for (; t < 60 && state.vx < (to.mps ?? Infinity) && state.x < (to.m ?? Infinity); t += dt) {
      transmission.step(state, controls, dt);
      body.step(state, controls, dt);
    }
    return { t, state, transmission };
  };

  it.each(driven)('%s is no quicker to 100 km/h than grip, power, gears and shifts allow', (_, car) => {
    const { t, transmission } = sprint(car, { mps: 100 / 3.6 });
    let bound = 0;
    for (let v = 0; v < 100 / 3.6; v += 0.01) {
      const grip = 1.15 * car.mu0 * GRAVITY;
      bound += 0.01 / Math.min(grip, driveForce(car, v) / car.massKg);
    }
    bound += (transmission.gearbox.wanted - 1) * spec(car).gears.shiftS * 0.5;
    expect(t).toBeGreaterThan(bound);
    expect(t).toBeLessThan(3 * bound);
  });

  it.each(driven)('%s: half the step changes the time over 60 m by less than 0.6 %%', (_, car) => {
    const [whole, half] = [sprint(car, { m: 60 }).t, sprint(car, { m: 60 }, DT / 2).t];
    expect(Math.abs(half / whole - 1)).toBeLessThan(0.006);
  });

  it.each([0, 0.4, 1])(
    'driven with %s of it in front, open, limited or locked, nothing runs away',
    (frontShare) => {
      for (const share of [0, 0.35, Infinity]) {
        const car = { ...FENWICK, drive: { frontShare }, differential: { share, preloadNm: 0 } };
        const { t, state } = sprint(car, { m: 60 });
        expect(t).toBeLessThan(10);
        for (const value of [state.vx, state.yawRate, ...state.spin, state.engine.omega])
          expect(Number.isFinite(value)).toBe(true);
        // A car that nobody steers goes straight.
        expect(Math.abs(state.y)).toBeLessThan(0.01);
      }
    },
  );
});

describe('gears', () => {
  it.each(driven)('%s shifts up through its gears one by one and never over its limit', (_, plain) => {
    // With grip to spare: one that spins its wheels shifts by how fast they spin.
    const car = { ...plain, mu0: 3 };
    const body = makeTwoTrack(car);
    const transmission = makeTransmission(car, 0, { isAutomatic: true, clutch: 'self' })!;
    const state = restingState(car, 0);
    const controls: Controls = { ...HANDS_OFF, throttle: 1 };
    const gears = [1];
    let fastest = 0;
    for (let i = 0; i < 45_000; i++) {
      transmission.step(state, controls, DT);
      body.step(state, controls, DT);
      if (controls.gear > 0 && controls.gear !== gears.at(-1)) gears.push(controls.gear);
      fastest = Math.max(fastest, rpmOf(state.engine.omega));
    }
    expect(gears).toEqual(gears.map((_, i) => i + 1));
    expect(gears.length).toBeGreaterThanOrEqual(spec(car).gears.ratios.length - 1);
    expect(fastest).toBeLessThan(1.03 * spec(car).engine.limitRpm);
  });

  it('shifts where the next gear pulls no less, and no later than shortly before the limit', () => {
    for (const [, car] of driven) {
      const { engine, gears } = spec(car);
      const made = makeEngine(engine, car.powerKw);
      for (const [i, omega] of shiftSpeeds(spec(car), car.powerKw).slice(0, -1).entries()) {
        expect(omega).toBeLessThan(made.limit);
        const drop = gears.ratios[i + 1]! / gears.ratios[i]!;
        const gains = made.torque((omega - 2) * drop) * drop - made.torque(omega - 2);
        expect(gains).toBeLessThan(0);
      }
    }
  });

  it('a shift takes its time, with no gear in; what is asked beyond the gears that there are is the last one', () => {
    const box = makeGearbox(MARL, 1)!;
    box.ask(9);
    expect({ wanted: box.wanted, gear: box.gear }).toEqual({ wanted: 4, gear: 0 });
    let shifted = 0;
    for (; box.isShifting; shifted += DT) box.step(300, DT, false);
    expect(shifted).toBeCloseTo(0.35, 2);
    expect(box.gear).toBe(4);
    box.ask(-7);
    expect(box.wanted).toBe(-1);
  });

  it('the gear in which a car sets out turns its engine between its idle and its shift', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CARS), fc.double({ min: 2, max: 50, noNaN: true }), (car, speed) => {
        const gear = gearAt(car, speed);
        const omega = (speed / car.wheelRadiusM) * gearing(spec(car).gears, gear);
        if (gear < spec(car).gears.ratios.length)
          expect(omega).toBeLessThan(shiftSpeeds(spec(car), car.powerKw)[gear - 1]!);
      }),
    );
  });
});

describe('a slope', () => {
  const heldAt = (car: CarSpec, percent: number) => {
    const body = makeTwoTrack(car);
    const state = { ...restingState(car, 0), grade: Math.sin(Math.atan(percent / 100)) };
    for (let i = 0; i < 4000; i++) body.step(state, { ...HANDS_OFF, brake: 0.8 }, DT);
    return state;
  };

  it('held on the brake it moves load back by what the tyres hold: 0.519 of the Fenwick at 10 %', () => {
    const { load, x } = heldAt(FENWICK, 10);
    expect((load[2]! + load[3]!) / load.reduce((sum, one) => sum + one, 0)).toBeCloseTo(0.519, 3);
    expect(Math.abs(x)).toBeLessThan(0.05);
  });

  it('rolling free it slows by g·sin θ over what turns with it', () => {
    const car = airless(MARL);
    const body = makeTwoTrack(car);
    const state = { ...restingState(car, 25), grade: Math.sin(Math.atan(0.1)) };
    for (let i = 0; i < 1000; i++) body.step(state, HANDS_OFF, DT);
    const moved = 1 + (2 * car.axleInertiaKgM2) / (car.massKg * car.wheelRadiusM ** 2);
    expect((25 - state.vx) / ((GRAVITY * state.grade) / moved)).toBeCloseTo(1, 2);
  });
});
