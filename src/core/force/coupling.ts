import { effectParameter, type ForceParameter } from './forceParameters';
import { EFFECTS } from './effects';
import type { Layer } from '../settings/setting';

/** How one setting acts on another: as data, so that the screen can draw it and name what is dead or doubled. */
export interface Coupling {
  from: { layer: Layer; parameter: ForceParameter };
  /** `scales` multiplies it, `gates` lets it through or not, `masks` hides it, `doubles` does the same a second time. */
  does: 'scales' | 'gates' | 'masks' | 'doubles';
  to: { layer: Layer; parameter: ForceParameter };
}

const title = (parameter: ForceParameter) => ({ layer: 'title' as const, parameter });
const base = (parameter: ForceParameter) => ({ layer: 'base' as const, parameter });

export const COUPLINGS: readonly Coupling[] = [
  { from: base('damperChannel'), does: 'gates', to: title('titleDamper') },
  { from: base('springChannel'), does: 'gates', to: title('titleSpring') },
  ...EFFECTS.map((effect): Coupling => ({
    from: title('gain'),
    does: 'scales',
    to: title(effectParameter(effect)),
  })),
  { from: title('gain'), does: 'scales', to: title('understeerCue') },
  { from: title('selfAlignment'), does: 'scales', to: title('mechanicalTrail') },
  { from: title('selfAlignment'), does: 'scales', to: title('pneumaticTrail') },
  { from: { layer: 'car', parameter: 'gain' }, does: 'scales', to: title('gain') },
  { from: base('strength'), does: 'scales', to: title('gain') },
  { from: base('damper'), does: 'doubles', to: title('titleDamper') },
  { from: base('spring'), does: 'doubles', to: title('titleSpring') },
  { from: base('smoothing'), does: 'masks', to: title('roadEffect') },
];

/** Whether what is acted on is set and can do nothing: canonical values, `null` where a layer does not offer it. */
export function isDead({ does }: Coupling, from: number | null, to: number | null): boolean {
  return (does === 'gates' || does === 'scales') && from === 0 && (to ?? 0) > 0;
}

/** A control that does nothing, and what holds it. */
export interface DeadControl {
  dead: Coupling['to'];
  by: Coupling['from'];
}

type Read = (at: { layer: Layer; parameter: ForceParameter }) => number | null;

/**
 * Controls that are set but can do nothing, because what gates or scales them stands at nothing.
 * @param read canonical value in force, `null` where a layer does not offer it
 */
export function deadControls(read: Read): DeadControl[] {
  return COUPLINGS.filter((coupling) => isDead(coupling, read(coupling.from), read(coupling.to))).map(
    ({ from, to }) => ({ dead: to, by: from }),
  );
}

/** Pairs that do the same thing twice, both in use. */
export function doubledSettings(read: Read): Coupling[] {
  // What nothing lets through does nothing, and so does nothing twice.
  const isHeld = (at: Coupling['to']) =>
    deadControls(read).some(({ dead }) => dead.layer === at.layer && dead.parameter === at.parameter);
  return COUPLINGS.filter(
    ({ from, does, to }) => does === 'doubles' && (read(from) ?? 0) > 0 && (read(to) ?? 0) > 0 && !isHeld(to),
  );
}
