import { assumedIn, basisOn, type Evidence, type Input } from '../rig/evidence';
import type { RigSpec } from '../rig/rigSpec';
import type { Menus } from '../settings/menus';
import type { Layer, SettingValues } from '../settings/setting';
import type { CarSpec } from '../vehicle/carSpec';
import { feltCar } from './feltCar';
import { bandParameter, effectParameter, forceField, type ForceParameter } from './forceParameters';
import { effectsUnscaledByGain } from './coupling';
import { eachEffect } from './effects';
import { BAND_HZ, plainBase, type BaseForce, type BaseHardware } from './forceSettings';
import type { ForceChain } from './handsOff';

/** What is taken for a base of which the owner knows no more than how it is driven (docs/core.md, force). */
const USUAL: Record<
  RigSpec['base']['drive'],
  { ratedNm: number; frictionNm: number; delayMs: number; motorKgM2: number; topRadps: number }
> = {
  gear: { ratedNm: 2.2, frictionNm: 0.22, delayMs: 10, motorKgM2: 0.002, topRadps: 14 },
  belt: { ratedNm: 5, frictionNm: 0.2, delayMs: 7, motorKgM2: 0.004, topRadps: 25 },
  direct: { ratedNm: 10, frictionNm: 0.08, delayMs: 2, motorKgM2: 0.006, topRadps: 45 },
  unknown: { ratedNm: 4, frictionNm: 0.2, delayMs: 8, motorKgM2: 0.004, topRadps: 25 },
};
const USUAL_RIM_KGM2 = 0.008;
/** A rim is between a disc (0.5) and a hoop (1). */
const RIM_SHAPE = 0.6;
const VISCOUS_NMS = 0.005;
const USUAL_ROTATION_DEG = 900;

export function hardwareOf({ base, rim }: RigSpec, rotationDeg: number | null): BaseHardware {
  const usual = USUAL[base.drive];
  return {
    ratedNm: base.torqueNm ?? usual.ratedNm,
    delayS: (base.delayMs ?? usual.delayMs) / 1000,
    ...inertHardware({ base, rim }),
    topRadps: usual.topRadps,
    rotationDeg: rotationDeg ?? base.rotationDeg ?? USUAL_ROTATION_DEG,
  };
}

/**
 * Friction, inertia and drag: measured, where they were. Spins alone give everything over the inertia; a friction that is
 * written down then gives the inertia, else the inertia that is described or usual gives friction and drag.
 */
function inertHardware({
  base,
  rim,
}: Pick<RigSpec, 'base' | 'rim'>): Pick<BaseHardware, 'frictionNm' | 'inertiaKgM2' | 'viscousNms'> {
  const usual = USUAL[base.drive];
  const fromMass =
    rim.massKg !== null && rim.diameterMm !== null
      ? RIM_SHAPE * rim.massKg * (rim.diameterMm / 2000) ** 2
      : USUAL_RIM_KGM2;
  const described = usual.motorKgM2 + (rim.inertiaKgM2 ?? fromMass);
  const measured = base.measured.at(-1);
  if (!measured)
    return {
      frictionNm: base.frictionNm ?? usual.frictionNm,
      inertiaKgM2: described,
      viscousNms: VISCOUS_NMS,
    };
  const { frictionOverInertia, dampingOverInertia } = measured;
  const inertiaKgM2 =
    measured.inertiaKgM2?.value ??
    (base.frictionNm === null ? described : base.frictionNm / frictionOverInertia.value);
  return {
    frictionNm: measured.frictionNm?.value ?? frictionOverInertia.value * inertiaKgM2,
    inertiaKgM2,
    viscousNms: Math.max(0, measured.dampingNmsPerRad?.value ?? dampingOverInertia.value * inertiaKgM2),
  };
}

/** What is known of the hardware that a rim is driven by, figure by figure: its owner wrote it down, or it is what is usual. */
export type HardwareInput =
  'torque' | 'friction' | 'delay' | 'rimInertia' | 'motorInertia' | 'bearings' | 'topSpeed' | 'scales';

export function hardwareInputs(spec: Pick<RigSpec, 'base' | 'rim'>): Record<HardwareInput, Input> {
  const { base } = spec;
  const usual = USUAL[base.drive];
  const said = (value: number | null, words: string): Input => ({
    says: words,
    evidence: value === null ? 'assumed' : 'described',
  });
  return {
    torque: said(base.torqueNm, `rated torque ${base.torqueNm ?? usual.ratedNm} N·m`),
    ...inertInputs(spec),
    delay: said(base.delayMs, `delay ${base.delayMs ?? usual.delayMs} ms`),
    topSpeed: said(null, `top speed of the motor ${usual.topRadps} rad/s`),
    scales: said(null, 'what 100 % of the base’s own scales is'),
  };
}

function inertInputs({
  base,
  rim,
}: Pick<RigSpec, 'base' | 'rim'>): Record<'friction' | 'rimInertia' | 'motorInertia' | 'bearings', Input> {
  const usual = USUAL[base.drive];
  const { frictionNm, inertiaKgM2, viscousNms } = inertHardware({ base, rim });
  const rimSaid = rim.inertiaKgM2 !== null || (rim.massKg !== null && rim.diameterMm !== null);
  const measured = base.measured.at(-1);
  const input = (evidence: Evidence, says: string): Input => ({ evidence, says });
  if (!measured)
    return {
      friction: input(base.frictionNm === null ? 'assumed' : 'described', `friction ${frictionNm} N·m`),
      rimInertia: input(rimSaid ? 'described' : 'assumed', 'inertia of the rim'),
      motorInertia: input('assumed', `inertia of the motor ${usual.motorKgM2} kg·m²`),
      bearings: input('assumed', `drag of the bearings ${VISCOUS_NMS} N·m·s/rad`),
    };
  const isAbsolute = measured.inertiaKgM2 !== null;
  const scale: Evidence = isAbsolute ? 'measured' : base.frictionNm === null ? 'assumed' : 'described';
  const over = isAbsolute ? '' : ', measured over an inertia that is not';
  return {
    friction: input(scale, `friction ${frictionNm.toFixed(3)} N·m${over}`),
    rimInertia: input(scale, `inertia of motor and rim ${inertiaKgM2.toFixed(4)} kg·m²`),
    motorInertia: input(scale, `inertia of motor and rim ${inertiaKgM2.toFixed(4)} kg·m²`),
    bearings: input(scale, `drag of the bearings ${viscousNms.toFixed(4)} N·m·s/rad${over}`),
  };
}

/** What the owner did not say of a rig and is taken as usual, in words; nothing where all is known. */
export function assumedOf(spec: RigSpec): string[] {
  const { torque, friction, delay, rimInertia } = hardwareInputs(spec);
  return assumedIn(basisOn(torque, friction, delay, rimInertia));
}

/** Whether the owner wrote down what base it is: its torque, which everything about the rim is in proportion to. */
export const isDescribed = (spec: RigSpec): boolean => hardwareInputs(spec).torque.evidence !== 'assumed';

/** What a forecast of the rim hangs on, to be said behind it; nothing where torque and friction are written down. */
export function ifAsUsual(spec: RigSpec, car?: Pick<CarSpec, 'scaleIsAssumed'>): string {
  if (car?.scaleIsAssumed)
    return isDescribed(spec) ? ', if the car’s full scale is as usual' : ', if base and car are as usual';
  if (!isDescribed(spec)) return ', if the base is as usual';
  const { friction } = hardwareInputs(spec);
  return friction.evidence === 'assumed' ? ', if its friction is as usual' : '';
}

const FRICTION_WORDS: Record<Evidence, string> = {
  measured: ' (measured)',
  described: '',
  assumed: ' (assumed)',
};

/** Friction as evidence: with its unit, and said to be measured or assumed. */
export function frictionText({ rig, exact }: ChainFacts, { hardware }: Pick<ForceChain, 'hardware'>): string {
  const how = exact ? '' : FRICTION_WORDS[hardwareInputs(rig).friction.evidence];
  return `${hardware.frictionNm.toFixed(2)} N·m${how}`;
}

/** What a base's own scales mean at 100 %, per newton metre of its rated torque; a strong base damps more strongly. */
const DAMPER_NMS_PER_NM = 0.04;
const FRICTION_SHARE = 0.1;
const INERTIA_KGM2 = 0.03;
const SPRING_PER_NM = 0.3;
/** The smoothing scale: from this corner down to that, in equal ratios. */
const LIGHT_HZ = 160;
const HEAVY_HZ = 12;

/** Corner of a base's smoothing at a share of its scale, Hz. */
const smoothHz = (share: number) => (share <= 0 ? null : LIGHT_HZ * (HEAVY_HZ / LIGHT_HZ) ** share);

/** Where effects stand beside it a gain is never less: they are told as shares of it. */
export const LEAST_GAIN = 1e-6;

/** Title, base and hardware without the car. */
export type KnownForce = Pick<ForceChain, 'title' | 'base' | 'hardware'>;

export interface ChainFacts {
  car: CarSpec;
  rig: RigSpec;
  /** Rate at which the title gives its force, Hz. */
  rateHz: number;
  menus: Menus;
  values: SettingValues;
  rotationDeg: number | null;
  /** A chain that is known as it is, not from menus, and the values that stand for it. */
  exact?: { values: SettingValues; force: KnownForce };
}

/** The whole chain of a combination, from the values in force on every layer; what no menu offers stands at neutral. */
export function chainOf({ car, rig, rateHz, menus, values, rotationDeg, exact }: ChainFacts): ForceChain {
  if (exact?.values === values) return { ...exact.force, car: feltCar(car, exact.force.title.trails) };
  const read = (layer: Layer, parameter: ForceParameter, otherwise: number) =>
    forceField(menus, values, layer, parameter)?.canonical ?? otherwise;
  const hardware = exact?.force.hardware ?? hardwareOf(rig, rotationDeg);
  const plain = exact?.force.base ?? plainBase(hardware.ratedNm);
  const align = read('title', 'selfAlignment', 1);
  const trails = {
    mechanical: align * read('title', 'mechanicalTrail', 1),
    pneumatic: align * read('title', 'pneumaticTrail', 1),
  };
  const unscaledByGain = effectsUnscaledByGain(menus);
  const product = read('title', 'gain', 1) * read('car', 'gain', 1);
  // What stands beside the gain is there without it too.
  const gain = unscaledByGain.length > 0 ? Math.max(LEAST_GAIN, product) : product;
  const effects = eachEffect((effect) => {
    const amount = read('title', effectParameter(effect), 0);
    return unscaledByGain.includes(effect) ? amount / gain : amount;
  });
  return {
    car: feltCar(car, trails),
    hardware,
    title: {
      rateHz,
      gain,
      minForce: read('title', 'minForce', 0),
      trails,
      understeerCue: read('title', 'understeerCue', 0),
      effects,
      ...(unscaledByGain.length > 0 && { unscaledByGain }),
      damper: read('title', 'titleDamper', 0),
      spring: read('title', 'titleSpring', 0),
    },
    base: {
      ...plain,
      strength: read('base', 'strength', 1),
      torqueLimitNm: Math.min(hardware.ratedNm, read('base', 'torqueLimit', hardware.ratedNm)),
      interpolation: Math.max(1, read('base', 'interpolation', 1)),
      smoothHz: smoothHz(read('base', 'smoothing', 0)),
      bands: BAND_HZ.map((hz) => read('base', bandParameter(hz), 1)),
      damperChannel: read('base', 'damperChannel', 1),
      springChannel: read('base', 'springChannel', 1),
      damperNms: read('base', 'damper', 0) * DAMPER_NMS_PER_NM * hardware.ratedNm,
      speedDamping: read('base', 'speedDamping', 0),
      frictionNm: read('base', 'friction', 0) * FRICTION_SHARE * hardware.ratedNm,
      inertiaKgM2: read('base', 'inertia', 0) * INERTIA_KGM2,
      springNmPerRad: read('base', 'spring', 0) * SPRING_PER_NM * hardware.ratedNm,
      protects: read('base', 'protection', 0) > 0,
    },
  };
}

/** Damper at the end of a base's own scale, N·m·s/rad. */
export function damperAtFull({ ratedNm }: BaseHardware): number {
  return DAMPER_NMS_PER_NM * ratedNm;
}

/** Share of the base's own damper scale that gives a damper, N·m·s/rad. */
export function damperShare(damperNms: number, hardware: BaseHardware): number {
  return damperNms / damperAtFull(hardware);
}

/** A base's own scales at which it would be as a chain has it: what {@link chainOf} reads back. */
export function baseShares(base: BaseForce, { ratedNm }: BaseHardware) {
  const { smoothHz: hz, damperNms, frictionNm, inertiaKgM2, springNmPerRad } = base;
  return {
    smoothing: hz === null ? 0 : Math.log(hz / LIGHT_HZ) / Math.log(HEAVY_HZ / LIGHT_HZ),
    damper: damperNms / (DAMPER_NMS_PER_NM * ratedNm),
    friction: frictionNm / (FRICTION_SHARE * ratedNm),
    inertia: inertiaKgM2 / INERTIA_KGM2,
    spring: springNmPerRad / (SPRING_PER_NM * ratedNm),
  };
}
