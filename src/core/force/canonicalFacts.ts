import { plainRig } from '../rig/rigSpec';
import type { MenuField, PlainMap } from '../response/menuSchema';
import { keyText, type Layer, type SettingValues } from '../settings/setting';
import type { CarSpec } from '../vehicle/carSpec';
import { baseShares, type ChainFacts, type KnownForce } from './chainOf';
import { bandParameter, effectParameter, type ForceParameter } from './forceParameters';
import { EFFECTS } from './effects';
import { BAND_HZ } from './forceSettings';

/** A setting on its canonical scale, as a menu would offer it. */
interface Canonical {
  of: ForceParameter;
  value: number;
  max: number;
  step: number;
  neutral: number;
  kind?: PlainMap['kind'];
  min?: number;
}

const SHARE = { max: 1, step: 0.01, neutral: 0 };
const FACTOR = { max: 20, step: 0.01, neutral: 1 };

/**
 * A force chain that is known by itself, with menus on canonical scales (shares 0…1, factors, N·m) in the place of a
 * title's and a base's: every question about settings is answered on them.
 * @returns facts of which `chainOf` gives the chain to the bit
 */
export function canonicalFacts(force: KnownForce, car: CarSpec): ChainFacts {
  const { title, base, hardware } = force;
  const scales = baseShares(base, hardware);
  const ofTitle: Canonical[] = [
    { of: 'gain', value: title.gain, ...FACTOR, kind: 'gain' },
    { of: 'minForce', value: title.minForce, ...SHARE, step: 0.0025 },
    { of: 'understeerCue', value: title.understeerCue, ...SHARE },
    { of: 'mechanicalTrail', value: title.trails.mechanical, ...FACTOR, max: 5 },
    { of: 'pneumaticTrail', value: title.trails.pneumatic, ...FACTOR, max: 5 },
    ...EFFECTS.map((effect): Canonical => ({
      of: effectParameter(effect),
      value: title.effects[effect],
      ...SHARE,
      max: 5,
    })),
    { of: 'titleDamper', value: title.damper, ...SHARE },
    { of: 'titleSpring', value: title.spring, ...SHARE },
  ];
  const ofBase: Canonical[] = [
    { of: 'strength', value: base.strength, ...SHARE, neutral: 1 },
    {
      of: 'torqueLimit',
      value: base.torqueLimitNm,
      max: hardware.ratedNm,
      step: 0.1,
      neutral: hardware.ratedNm,
      kind: 'torque',
    },
    { of: 'interpolation', value: base.interpolation, min: 1, max: 8, step: 1, neutral: 1 },
    { of: 'smoothing', value: scales.smoothing, ...SHARE, step: 0.1 },
    ...BAND_HZ.map((hz, i): Canonical => ({
      of: bandParameter(hz),
      value: base.bands[i]!,
      ...FACTOR,
      max: 10,
    })),
    { of: 'damperChannel', value: base.damperChannel, ...SHARE, neutral: 1 },
    { of: 'springChannel', value: base.springChannel, ...SHARE, neutral: 1 },
    { of: 'damper', value: scales.damper, ...SHARE },
    { of: 'speedDamping', value: base.speedDamping, ...SHARE, max: 10 },
    { of: 'friction', value: scales.friction, ...SHARE },
    { of: 'inertia', value: scales.inertia, ...SHARE },
    { of: 'spring', value: scales.spring, ...SHARE },
    { of: 'protection', value: base.protects ? 1 : 0, max: 1, step: 1, neutral: 0 },
  ];
  const values: SettingValues = { ...valuesOf('title', ofTitle), ...valuesOf('base', ofBase) };
  return {
    car,
    rig: plainRig({ kind: 'real', axes: {} }),
    rateHz: title.rateHz,
    menus: { base: menu('base', ofBase), title: menu('title', ofTitle), car: {} },
    values,
    rotationDeg: hardware.rotationDeg,
    exact: { values, force },
  };
}

const valuesOf = (layer: Layer, settings: readonly Canonical[]): SettingValues =>
  Object.fromEntries(
    settings.map(({ of, value }) => [keyText({ layer, axis: 'steering', field: of }), value]),
  );

const menu = (name: string, settings: readonly Canonical[]) => ({
  steering: { dialect: { name, axis: 'steering', fields: settings.map(fieldOf) }, drawsCurve: false },
});

function fieldOf({ of, max, step, neutral, kind = 'fraction', min = 0 }: Canonical): MenuField {
  const maps: PlainMap = kind === 'fraction' ? { kind, of, full: 1 } : { kind, of };
  return { key: of, label: of, min, max, step, neutral, maps };
}
