import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { baseTorque } from './baseTorque';
import { assumedOf, chainOf, damperShare, hardwareOf } from './chainOf';
import { forceRow } from '../testing/forceRow';
import { deadControls, doubledSettings } from './coupling';
import { effectSources } from './effects';
import { equaliser } from './equaliser';
import { BAND_HZ, plainBase, PLAIN_TITLE, type BaseForce, type BaseHardware } from './forceSettings';
import { forceField, type ForceParameter } from './forceParameters';
import { JOINED_BELOW, liftSmall } from './minimumForce';
import { rimAt, stepRim } from './motorRim';
import { reconstruction } from './reconstruction';
import { forceRecorder } from './forceInputs';
import { columnTorque, titleSignal } from './titleSignal';
import { torquePeakSlip } from './torquePeak';
import { understeerFactor } from './understeerCue';

const RATE = 1000;
const share = fc.double({ min: 0, max: 1, noNaN: true });
const hardware: BaseHardware = {
  ratedNm: 8,
  frictionNm: 0,
  delayS: 0.002,
  inertiaKgM2: 0.01,
  viscousNms: 0,
  topRadps: null,
  rotationDeg: 900,
};
const still = { angle: 0, rate: 0 };
const base = (over: Partial<BaseForce> = {}) => ({ ...plainBase(hardware.ratedNm), ...over });
const title = { ...PLAIN_TITLE, rateHz: 100 };

describe('minimum force', () => {
  it('is continuous, odd, never falls, and leaves 0 and full where they are', () => {
    fc.assert(
      fc.property(share, share, share, (m, a, b) => {
        expect(liftSmall(0, m)).toBe(0);
        expect(liftSmall(1, m)).toBeCloseTo(1, 12);
        expect(liftSmall(-a, m)).toBeCloseTo(-liftSmall(a, m), 12);
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(liftSmall(high, m)).toBeGreaterThanOrEqual(liftSmall(low, m) - 1e-12);
        const edge = liftSmall(JOINED_BELOW + 1e-12, m) - liftSmall(JOINED_BELOW - 1e-12, m);
        expect(Math.abs(edge)).toBeLessThan(1e-8);
      }),
    );
  });

  it('lifts the weakest signal over m', () => {
    expect(liftSmall(0.003, 0.1)).toBeGreaterThan(0.1);
    expect(liftSmall(0.003, 0)).toBe(0.003);
  });
});

it('the understeer cue begins at the torque’s peak and has taken all it will at twice that slip', () => {
  expect(understeerFactor(0.05, 0.06, 0.5)).toBe(1);
  expect(understeerFactor(0.09, 0.06, 0.5)).toBeCloseTo(0.75, 12);
  expect(understeerFactor(0.12, 0.06, 0.5)).toBeCloseTo(0.5, 12);
  expect(understeerFactor(3, 0.06, 0.5)).toBe(0.5);
});

describe('reconstruction', () => {
  const run = (interpolation: number, smoothHz: number | null) => {
    const shape = reconstruction(interpolation, smoothHz, 100, RATE);
    return Array.from({ length: 400 }, (_, i) => shape.next(i < 10 ? 0 : 1, i % 10 === 0));
  };

  it('holds where nothing is set, and ramps over so many title samples', () => {
    expect(run(1, null).slice(8, 12)).toEqual([0, 0, 1, 1]);
    const ramp = run(2, null);
    expect(ramp[10]).toBeCloseTo(0.05, 9);
    // Each new sample starts its own ramp towards the same level: nearer, and never beyond.
    expect(Math.max(...ramp)).toBeLessThanOrEqual(1 + 1e-12);
    expect(ramp.at(-1)).toBeCloseTo(1, 3);
  });

  it('a low-pass takes the steps out and keeps the level', () => {
    const smooth = run(1, 20);
    const steepest = Math.max(...smooth.slice(1).map((y, i) => y - smooth[i]!));
    expect(steepest).toBeLessThan(0.07);
    expect(smooth.at(-1)).toBeCloseTo(1, 6);
  });
});

it('an untouched equaliser is none; a raised band raises its own frequency alone', () => {
  expect(
    equaliser(
      BAND_HZ.map(() => 1),
      RATE,
    ),
  ).toBeNull();
  const raised = equaliser([1, 1, 2, 1, 1], RATE)!;
  const level = (hz: number) => {
    let energy = 0;
    for (let i = 0; i < 4000; i++) {
      const y = raised(Math.sin((2 * Math.PI * hz * i) / RATE));
      if (i >= 2000) energy += y * y;
    }
    return Math.sqrt(energy / 1000);
  };
  expect(level(24)).toBeCloseTo(2, 2);
  expect(level(2)).toBeCloseTo(1, 1);
});

describe('motor and rim', () => {
  it('without friction follows T/J; with it stands under less than the friction, and slides above', () => {
    const free = rimAt(0);
    for (let i = 0; i < RATE; i++) stepRim(free, 0.5, 0.01, 0, 0, 1 / RATE);
    expect(free.rate).toBeCloseTo(50, 6);
    // Half its friction for three seconds: it bends a little, and stands.
    const held = rimAt(0);
    for (let i = 0; i < 3 * RATE; i++) stepRim(held, 0.1, 0.01, 0, 0.2, 1 / RATE);
    expect(Math.abs(held.rate)).toBeLessThan(1e-6);
    expect(held.angle).toBeLessThan(0.003);
    expect(held.twist).toBeCloseTo(0.001, 9);
    // Between sliding and break-away friction it stands too; once it slides, sliding friction is what is left.
    for (let i = 0; i < RATE; i++) stepRim(held, 0.1 + 0.12 * (i / RATE), 0.01, 0, 0.2, 1 / RATE);
    expect(held.angle).toBeLessThan(0.01);
    for (let i = 0; i < RATE; i++) stepRim(held, 0.5, 0.01, 0, 0.2, 1 / RATE);
    expect(held.rate).toBeGreaterThan(28);
    expect(held.rate).toBeLessThan(30.1);
  });

  it('friction only ever takes energy away, however stiff, up to what a step can carry', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: 0.003, max: 0.1, noNaN: true }),
        // dt·F/J, rad/s.
        fc.double({ min: 0, max: 0.55, noNaN: true }),
        (rate, inertia, carried) => {
          const rim = { ...rimAt(0), rate };
          const friction = carried * inertia * RATE;
          // Of the rim, and of the bristles that it has bent (they let go at 2 mrad).
          const energy = () => inertia * rim.rate ** 2 + (friction / 0.002) * rim.twist ** 2;
          for (let i = 0; i < 50; i++) {
            const before = energy();
            stepRim(rim, 0, inertia, 0, friction, 1 / RATE);
            expect(energy()).toBeLessThanOrEqual(before * (1 + 1e-9) + 1e-15);
          }
        },
      ),
    );
  });
});

describe('base', () => {
  it('gives strength times rated torque, late by its delay, and never more than the limit', () => {
    const motor = baseTorque(title, base({ strength: 0.5, torqueLimitNm: 3 }), hardware, RATE);
    const out = Array.from({ length: 5 }, () => motor.next(0.5, false, still, 0));
    expect(out).toEqual([0, 0, 2, 2, 2]);
    const limited = baseTorque(title, base({ torqueLimitNm: 3 }), hardware, RATE);
    for (let i = 0; i < 5; i++) limited.next(1, false, still, 0);
    expect(limited.next(1, false, still, 0)).toBe(3);
  });

  const turning = (over: Partial<BaseForce>, asked: Partial<typeof title> = {}) => {
    const motor = baseTorque({ ...title, ...asked }, base(over), { ...hardware, delayS: 0 }, RATE);
    return motor.next(0, false, { angle: 0.2, rate: 3 }, 40);
  };

  it('a title’s damper and spring are dead where the channel is shut', () => {
    expect(turning({ damperChannel: 0, springChannel: 0 }, { damper: 1, spring: 1 })).toBeCloseTo(0, 12);
    expect(turning({ springChannel: 0 }, { damper: 1, spring: 1 })).toBeCloseTo(-0.9, 9);
    expect(turning({ damperChannel: 0 }, { damper: 1, spring: 1 })).toBeCloseTo(-0.3, 9);
  });

  it('the own damper opposes the movement, and more at speed where that is wanted', () => {
    expect(turning({ damperNms: 0.1 })).toBeCloseTo(-0.3, 9);
    expect(turning({ damperNms: 0.1, speedDamping: 1 })).toBeCloseTo(-0.6, 9);
  });

  it('past half the rotation the bump stop pushes back', () => {
    const motor = baseTorque(title, base({ torqueLimitNm: 100 }), { ...hardware, delayS: 0 }, RATE);
    expect(motor.next(0, false, { angle: (450 * Math.PI) / 180, rate: 0 }, 0)).toBeCloseTo(0, 9);
    expect(motor.next(0, false, { angle: (452 * Math.PI) / 180, rate: 0 }, 0)).toBeLessThan(-8);
  });

  it('torque changes no faster than it may', () => {
    const motor = baseTorque(title, base({ slewNmPerS: 500 }), { ...hardware, delayS: 0 }, RATE);
    expect(motor.next(1, true, still, 0)).toBeCloseTo(0.5, 9);
    expect(motor.next(1, false, still, 0)).toBeCloseTo(1, 9);
  });
});

describe('effects', () => {
  const on = { speedMps: 20, surface: 0, brake: 0, kappaFront: 0, kappaRear: 0 };
  const rms = (name: keyof ReturnType<typeof effectSources>, input: typeof on) => {
    const source = effectSources(1)[name];
    let sum = 0;
    for (let i = 0; i < 20_000; i++) sum += source(input, 1 / RATE) ** 2;
    return Math.sqrt(sum / 20_000);
  };

  it('road grows with the root of the speed and fourfold from class A to C', () => {
    expect(rms('road', { ...on, speedMps: 80 }) / rms('road', on)).toBeCloseTo(2, 1);
    expect(rms('road', { ...on, surface: 2 }) / rms('road', on)).toBeCloseTo(4, 1);
  });

  it('kerb, grass, scrub and brake pulses come where they belong and nowhere else', () => {
    for (const name of ['kerb', 'offtrack', 'slip', 'abs', 'impact'] as const) expect(rms(name, on)).toBe(0);
    expect(rms('kerb', { ...on, surface: 1 })).toBeCloseTo(0.35 / Math.SQRT2, 2);
    expect(rms('offtrack', { ...on, surface: 3 })).toBeGreaterThan(0.1);
    expect(rms('slip', { ...on, kappaRear: 0.4 })).toBeGreaterThan(0.1);
    expect(rms('abs', { ...on, brake: 1, kappaFront: -0.15 })).toBeCloseTo(0.15, 2);
  });
});

it('column torque is left positive and shrinks with ratio and assistance', () => {
  const dray = carById('dray-55');
  expect(columnTorque(dray, 153, 0)).toBeCloseTo(1, 9);
  for (const car of CARS)
    expect(torquePeakSlip(car)).toBeLessThan(Math.tan((car.peakSlipFrontDeg * Math.PI) / 180));
});

describe('a combination', () => {
  const facts = (rig: string, values: Record<string, number> = {}) => {
    const { spec } = simulatedRigById(rig);
    const [car, causeway] = [carById('marl-850'), titleById('causeway')];
    const menus = menusFor(spec, causeway, car);
    return { car, rig: spec, rateHz: causeway.forceHz, menus, values, rotationDeg: null };
  };

  it('reads its own menus: neutral where nothing is set, title and car gain multiplied', () => {
    expect(chainOf(facts('tern'))).toMatchObject({
      title: { gain: 1, minForce: 0, rateHz: 100 },
      base: { strength: 1, damperChannel: 0, smoothHz: null, damperNms: 0 },
      hardware: { ratedNm: 5.5, delayS: 0.007 },
    });
    const set = {
      'title/steering/gain': 60,
      'car/steering/gain': 120,
      'title/steering/minForce': 20,
      'base/steering/damper': 50,
    };
    const chain = chainOf(facts('tern', set));
    expect(chain.title.gain).toBeCloseTo(1.44, 12);
    expect(chain.title.minForce).toBeCloseTo(0.05, 12);
    expect(damperShare(chain.base.damperNms, chain.hardware)).toBeCloseTo(0.5, 12);
  });

  it('says what it takes as usual, and nothing of what is written down', () => {
    const { spec } = simulatedRigById('tern');
    expect(assumedOf(spec)).toEqual([]);
    const vague = {
      ...spec,
      base: { ...spec.base, drive: 'gear' as const, frictionNm: null, delayMs: null },
      rim: { ...spec.rim, massKg: null, inertiaKgM2: null },
    };
    expect(assumedOf(vague)).toEqual(['friction 0.22 N·m', 'delay 10 ms', 'inertia of the rim']);
    expect(hardwareOf(vague, null)).toMatchObject({ frictionNm: 0.22, delayS: 0.01 });
  });

  it('makes the trails longer as the title does, in its signal and wherever the car is asked', () => {
    const hill = titleById('hill-and-hollow');
    const { spec } = simulatedRigById('gannet');
    const car = carById('spindrift-h4');
    const menus = menusFor(spec, hill, car);
    const of = (values: Record<string, number>) =>
      chainOf({ car, rig: spec, rateHz: hill.forceHz, menus, values, rotationDeg: null });
    expect(of({}).car).toBe(car);
    const set = of({
      'title/steering/selfAlignment': 1.5,
      'title/steering/mechanicalTrail': 0.5,
      'base/steering/band24': 200,
    });
    expect(set.title.trails).toEqual({ mechanical: 0.75, pneumatic: 1.5 });
    expect(set.car.casterTrailM).toBeCloseTo(0.75 * car.casterTrailM, 12);
    expect(set.base.bands).toEqual([1, 1, 2, 1, 1]);
    const inputs = forceRecorder(100);
    const tyres = { momentMechanical: -60, momentPneumatic: -40, slipFront: 0.01 };
    inputs.push(forceRow({ speedMps: 30, lateralMps2: 5, ...tyres }));
    const ridden = inputs.finish();
    const quiet = { ...set.title, effects: PLAIN_TITLE.effects };
    const [signal] = titleSignal(ridden, set.car, quiet, 1).main;
    expect(signal).toBeCloseTo(columnTorque(car, -45, -60) / car.fullScaleNm, 12);
  });

  it('names a damper that is dead and a damping that is doubled', () => {
    const read = (rig: string, values: Record<string, number>) => {
      const { menus } = facts(rig);
      return (at: { layer: 'base' | 'title' | 'car'; parameter: ForceParameter }) =>
        forceField(menus, values, at.layer, at.parameter)?.canonical ?? null;
    };
    expect(deadControls(read('tern', {}))).toEqual([]);
    expect(deadControls(read('tern', { 'title/steering/titleDamper': 30 }))).toEqual([
      {
        dead: { layer: 'title', parameter: 'titleDamper' },
        by: { layer: 'base', parameter: 'damperChannel' },
      },
    ]);
    expect(deadControls(read('wren', { 'title/steering/titleDamper': 30 }))).toEqual([]);
    expect(doubledSettings(read('gannet', { 'title/steering/titleDamper': 30 }))).toHaveLength(1);
  });
});
