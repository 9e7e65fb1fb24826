import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { baseByHand } from '../identify/baseByHand';
import { simulateSpins } from '../identify/simulateSpins';
import { readings, TRUE_BASES, wholeEvening } from '../identify/testing/trueBases';
import type { TrueBase } from '../identify/spinningRim';
import { plainRig, type RigSpec } from '../rig/rigSpec';
import type { MeasuredBase } from '../rig/measuredBase';
import { assumedOf, chainOf, hardwareInputs, hardwareOf, type ChainFacts } from './chainOf';
import { leastDamper } from './handsOffSearch';
import { FAST_MPS } from './handsOff';
import { rimOf } from './rimOf';

const [car, title] = [carById('marl-850'), titleById('causeway')];

function factsOf(rig: RigSpec): ChainFacts {
  return { car, rig, rateHz: title.forceHz, menus: menusFor(rig, title, car), values: {}, rotationDeg: 900 };
}

const plain = plainRig({ kind: 'real', axes: {} });
/** A base of which its owner says only what drives it and how strong it is. */
const describedAs = (
  drive: RigSpec['base']['drive'],
  torqueNm: number,
  measured: MeasuredBase[],
): RigSpec => ({
  ...plain,
  base: { ...plain.base, drive, torqueNm, measured },
});

function measure(base: TrueBase, releases: number): MeasuredBase {
  const reading = readings(base).gamepad;
  const evening = wholeEvening(base, reading, 4);
  const recording = simulateSpins({ ...evening, releases });
  const found = baseByHand([{ recording, countsPerDegree: reading.countsPerDegree }]);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  const { frictionOverInertia, dampingOverInertia, inertiaKgM2, frictionNm, dampingNmsPerRad, swings } =
    found.value;
  const rates = { frictionOverInertia, dampingOverInertia };
  return { atMs: 0, method: 'by-hand', swings, ...rates, inertiaKgM2, frictionNm, dampingNmsPerRad };
}

describe.each([
  ['gear', 2.2, { ...TRUE_BASES.gear, frictionNm: 0.08, inertiaKgM2: 0.02 }],
  ['belt', 5, { ...TRUE_BASES.belt, frictionNm: 0.1, inertiaKgM2: 0.022 }],
  ['direct', 10, { ...TRUE_BASES.direct, frictionNm: 0.04, inertiaKgM2: 0.03 }],
] as const)('a %s base that is not as usual', (drive, torqueNm, base) => {
  const assumed = factsOf(describedAs(drive, torqueNm, []));
  const measured = factsOf(describedAs(drive, torqueNm, [measure(base, 10)]));
  const chain = chainOf(assumed);
  const trueChain = {
    ...chain,
    hardware: {
      ...chain.hardware,
      frictionNm: base.frictionNm,
      inertiaKgM2: base.inertiaKgM2,
      viscousNms: base.viscousNms,
    },
  };

  it('measured by hand, what minimum force has to lift over is off by less than a quarter as much', () => {
    const truth = base.frictionNm / torqueNm;
    const error = (facts: ChainFacts) => Math.abs(rimOf(facts).swallowed - truth);
    expect(error(measured)).toBeLessThan(0.25 * error(assumed));
  });

  it('and the least damper by less than a tenth', () => {
    const of = (one: typeof chain) => leastDamper(one, FAST_MPS, 3).damperNms!;
    const truth = of(trueChain);
    const before = Math.abs(of(chain) - truth);
    // The usual base is off by much: else there was nothing to mend.
    expect(before).toBeGreaterThan(0.1);
    expect(Math.abs(of(chainOf(measured)) - truth)).toBeLessThan(0.1 * before);
  });
});

describe('what a figure of the hardware rests on', () => {
  const base = TRUE_BASES.belt;
  const whole = measure(base, 10);
  const flicked = measure(base, 0);
  const { spec } = simulatedRigById('tern');
  const withFriction = (frictionNm: number | null, measured: MeasuredBase[]): RigSpec => ({
    ...spec,
    base: { ...spec.base, frictionNm, measured },
  });
  const evidence = (rig: RigSpec) => hardwareInputs(rig).friction.evidence;

  it('with a mass it is measured, and nothing of it is assumed any more', () => {
    const rig = describedAs('belt', 5, [whole]);
    expect(evidence(rig)).toBe('measured');
    expect(assumedOf(rig)).toEqual(['delay 7 ms']);
    expect(hardwareOf(rig, null)).toMatchObject({
      frictionNm: whole.frictionNm!.value,
      inertiaKgM2: whole.inertiaKgM2!.value,
    });
  });

  it('spins alone keep a friction that is written down, and give the inertia from it', () => {
    const rig = withFriction(0.2, [flicked]);
    expect(evidence(rig)).toBe('described');
    const { frictionNm, inertiaKgM2 } = hardwareOf(rig, null);
    expect(frictionNm).toBeCloseTo(0.2, 12);
    expect(frictionNm / inertiaKgM2).toBeCloseTo(flicked.frictionOverInertia.value, 9);
  });

  it('spins alone and nothing written down: the ratio is measured, the scale is not', () => {
    const rig = withFriction(null, [flicked]);
    expect(evidence(rig)).toBe('assumed');
    const { frictionNm, inertiaKgM2 } = hardwareOf(rig, null);
    expect(frictionNm / inertiaKgM2).toBeCloseTo(flicked.frictionOverInertia.value, 9);
  });

  it('the newest measurement holds', () => {
    const older = { ...whole, frictionNm: { value: 9, low: 8, high: 10 } };
    expect(hardwareOf(withFriction(null, [older, whole]), null).frictionNm).toBe(whole.frictionNm!.value);
  });
});
