import { bandParameter, type ForceParameter } from '@/core/force/forceParameters';
import { BAND_HZ } from '@/core/force/forceSettings';

/** Parts of the force, in the order in which one works. */
export const PANELS = ['strength', 'balance', 'smooth', 'calm', 'cars', 'listen', 'feels'] as const;
export type Panel = (typeof PANELS)[number];
export const PANEL_NAMES: Record<Panel, string> = {
  strength: 'Strength',
  balance: 'Balance',
  smooth: 'Smooth',
  calm: 'Calm',
  cars: 'Cars',
  listen: 'Listen',
  feels: 'Feels like…',
};

export function panelOf(name: string | undefined): Panel {
  return PANELS.find((one) => one === name) ?? 'strength';
}

/** Which settings stand under which panel, in the order in which one works. */
export const ON_PANEL: Record<Panel, readonly ForceParameter[]> = {
  strength: ['gain', 'strength', 'torqueLimit'],
  balance: [
    'minForce',
    'understeerCue',
    'selfAlignment',
    'mechanicalTrail',
    'pneumaticTrail',
    'roadEffect',
    'kerbEffect',
    'offtrackEffect',
    'slipEffect',
    'absEffect',
    'impactEffect',
  ],
  smooth: ['smoothing', 'interpolation', ...BAND_HZ.map(bandParameter), 'friction', 'inertia'],
  calm: [
    'titleDamper',
    'titleSpring',
    'damperChannel',
    'springChannel',
    'damper',
    'speedDamping',
    'friction',
    'inertia',
    'spring',
    'protection',
  ],
  cars: [],
  listen: ['gain', 'roadEffect', 'kerbEffect', 'smoothing'],
  feels: [],
};
