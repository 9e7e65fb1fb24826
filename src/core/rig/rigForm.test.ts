import fc from 'fast-check';
import { describedRig, rigForm, rigFormSchema, withoutContradiction } from './rigForm';
import { axesOf, isStrong, plainRig, STRONG_NM, type RigSpec } from './rigSpec';

const PLAIN = plainRig({ kind: 'real', axes: {} });
const withBase = (base: Partial<RigSpec['base']>): RigSpec => ({
  ...PLAIN,
  base: { ...PLAIN.base, ...base },
});

/** Where the form says that something is wrong. */
function faults(spec: RigSpec, name = 'Loft') {
  const read = rigFormSchema.safeParse(rigForm(name, spec));
  return read.success ? [] : read.error.issues.map(({ path }) => path.join('.'));
}
/** Where the command says so. */
function refusals(spec: RigSpec) {
  const read = withoutContradiction(spec);
  return read.ok ? [] : read.problems.map(({ place }) => `spec.${place.column}`);
}

describe('the description of a rig', () => {
  it('a rig of which nothing is known can be written down', () => {
    expect(faults(PLAIN)).toEqual([]);
    expect(faults(PLAIN, ' ')).toEqual(['name']);
  });

  it('what was kept is what the form began with, and the devices stay where they were', () => {
    const rig = withBase({ torqueNm: 9, rotationDeg: 540 });
    const read = rigFormSchema.parse(rigForm('Loft', rig));
    expect(describedRig(read.spec, { ...rig, cabling: 7 })).toEqual({ ...rig, cabling: 7 });
  });

  it('a number out of its range is said beside its field', () => {
    expect(faults(withBase({ torqueNm: 1000 }))).toEqual(['spec.base.torqueNm']);
    expect(faults(withBase({ maxRotationDeg: 10 }))).toEqual(['spec.base.maxRotationDeg']);
  });

  it('form and command find the same contradictions, at the same place', () => {
    const rotation = fc.option(fc.integer({ min: 90, max: 3600 }));
    const scale = fc.integer({ min: -5, max: 5 });
    const brakeForce = fc.option(fc.record({ min: scale, max: scale, now: scale, step: fc.constant(1) }));
    fc.assert(
      fc.property(rotation, rotation, brakeForce, (rotationDeg, maxRotationDeg, force) => {
        const spec = withBase({ rotationDeg, maxRotationDeg, brakeForce: force });
        expect(faults(spec)).toEqual(refusals(spec));
        const isTrue =
          (rotationDeg === null || maxRotationDeg === null || rotationDeg <= maxRotationDeg) &&
          (force === null || (force.min < force.max && force.min <= force.now && force.now <= force.max));
        expect(refusals(spec).length === 0).toBe(isTrue);
      }),
    );
  });
});

describe('what a rig has', () => {
  it('its axes, in the order in which they are calibrated', () => {
    expect(axesOf(PLAIN)).toEqual(['steering', 'throttle', 'brake']);
    const whole: RigSpec = {
      ...PLAIN,
      pedals: { throttle: 'hall', brake: 'load-cell', clutch: 'hall' },
      shifter: { kind: 'gate', gears: 6 },
      handbrake: 'analogue',
      paddles: true,
    };
    expect(axesOf(whole)).toHaveLength(8);
    expect(axesOf({ ...whole, handbrake: 'switch' })).not.toContain('handbrake');
  });

  it('a base that may be strong is taken for one: the cautions stand until its torque is known', () => {
    expect(isStrong(withBase({ drive: 'direct' }))).toBe(true);
    expect(isStrong(withBase({ drive: 'belt' }))).toBe(false);
    expect(isStrong(withBase({ drive: 'direct', torqueNm: STRONG_NM }))).toBe(false);
    expect(isStrong(withBase({ drive: 'gear', torqueNm: STRONG_NM + 0.1 }))).toBe(true);
  });
});
