import type { ForceParameter } from '@/core/force/forceParameters';
import { parameterOf, type FieldMap, type ResponseParameter } from '@/core/response/menuSchema';

type Parameter = ForceParameter | ResponseParameter | 'rotation' | 'lock';

/** What the field calls each thing that a menu can set, whatever its own label is. A new parameter is an entry here. */
const TERMS: Record<Parameter, string> = {
  deadzone: 'dead zone',
  saturation: 'saturation',
  curve: 'linearity',
  rotation: 'rotation',
  lock: 'bump stop',
  gain: 'gain',
  minForce: 'minimum force',
  understeerCue: 'understeer cue',
  selfAlignment: 'self-alignment',
  mechanicalTrail: 'mechanical trail',
  pneumaticTrail: 'pneumatic trail',
  roadEffect: 'road effect',
  kerbEffect: 'kerb effect',
  offtrackEffect: 'off-track effect',
  slipEffect: 'slip effect',
  absEffect: 'ABS effect',
  impactEffect: 'impact effect',
  titleDamper: 'damper of the title',
  titleSpring: 'centre spring of the title',
  strength: 'strength',
  torqueLimit: 'torque limit',
  smoothing: 'filter',
  interpolation: 'interpolation',
  band6: 'band around 6 Hz',
  band12: 'band around 12 Hz',
  band24: 'band around 24 Hz',
  band48: 'band around 48 Hz',
  band96: 'band around 96 Hz',
  damperChannel: 'damper channel',
  springChannel: 'spring channel',
  damper: 'damper',
  speedDamping: 'speed-dependent damping',
  friction: 'friction',
  inertia: 'inertia',
  spring: 'centre spring',
  protection: 'hands-off protection',
};

/** The standard term of a parameter by its name in the core; `null` where it is none that is known. */
export function termOf(parameter: string): string | null {
  return Object.hasOwn(TERMS, parameter) ? TERMS[parameter as Parameter] : null;
}

/** The standard term of a menu's field, where its label says something else: to stand small beside it. */
export function termBeside({ label, maps }: { label: string; maps: FieldMap }): string | null {
  const term = termOf(parameterOf(maps));
  return term === null || term === label.toLowerCase() ? null : term;
}
