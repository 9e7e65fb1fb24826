import { parametersOn, type ForceParameter } from '@/core/force/forceParameters';

/** Parts of the force, in the order in which one works. */
export const PANELS = ['strength', 'balance', 'smooth', 'calm', 'cars', 'listen', 'feels'] as const;
export type Panel = (typeof PANELS)[number];
export const PANEL_NAMES: Record<Panel, string> = {
  strength: 'Strength',
  balance: 'Balance',
  smooth: 'Smooth',
  calm: 'Stability',
  cars: 'Cars',
  listen: 'Listen',
  feels: 'Feels like…',
};

export function panelOf(name: string | undefined): Panel {
  return PANELS.find((one) => one === name) ?? 'strength';
}

/** Which settings stand under a panel, in the order in which one works. */
export function settingsOn(panel: Panel): ForceParameter[] {
  return panel === 'cars' || panel === 'feels' ? [] : parametersOn(panel);
}
