import type { FieldMap } from '../response/menuSchema';
import type { Menus } from '../settings/menus';
import type { Layer } from '../settings/setting';
import { EFFECTS, type Effect } from './effects';
import { effectParameter, type ForceParameter } from './forceParameters';

/** How one setting acts on another: as data, so that the screen can draw it and name what is dead or doubled. */
export interface Coupling {
  from: { layer: Layer; parameter: ForceParameter };
  /** `scales` multiplies it, `gates` lets it through or not, `masks` hides it, `doubles` does the same a second time. */
  does: 'scales' | 'gates' | 'masks' | 'doubles';
  to: { layer: Layer; parameter: ForceParameter };
}

const title = (parameter: ForceParameter) => ({ layer: 'title' as const, parameter });
const base = (parameter: ForceParameter) => ({ layer: 'base' as const, parameter });

const COUPLINGS: readonly Coupling[] = [
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

const EFFECT_OF = new Map<string, Effect>(EFFECTS.map((effect) => [effectParameter(effect), effect]));

/** Whether a field adds an effect to the force: only such a one can stand beside the title's gain. */
export const isEffectField = (maps: FieldMap): boolean => 'of' in maps && EFFECT_OF.has(maps.of);

/** The effects of a title that its gain does not scale. */
export function effectsUnscaledByGain(menus: Menus): Effect[] {
  return (menus.title.steering?.dialect.fields ?? []).flatMap(({ maps, apart }) =>
    apart && 'of' in maps && EFFECT_OF.has(maps.of) ? [EFFECT_OF.get(maps.of)!] : [],
  );
}

/** How the settings of these menus act on each other. */
export function couplingsOf(menus: Menus): Coupling[] {
  const unscaled = new Set<ForceParameter>(effectsUnscaledByGain(menus).map(effectParameter));
  const isOfTheGain = ({ from, does }: Coupling) =>
    does === 'scales' && from.layer === 'title' && from.parameter === 'gain';
  return COUPLINGS.filter((one) => !(isOfTheGain(one) && unscaled.has(one.to.parameter)));
}

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
export function deadControls(read: Read, couplings: readonly Coupling[] = COUPLINGS): DeadControl[] {
  return couplings
    .filter((coupling) => isDead(coupling, read(coupling.from), read(coupling.to)))
    .map(({ from, to }) => ({ dead: to, by: from }));
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
