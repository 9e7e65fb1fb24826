import { gridValue, parameterOf, type Rounding } from '../response/menuSchema';
import { forceField, type ForceParameter } from '../force/forceParameters';
import type { ChainFacts } from '../force/chainOf';
import { keyText, LAYERS, type Layer } from '../settings/setting';
import type { FeelChange } from './cause';

/** One setting of the force brought to a canonical value on its menu's own grid; `null` where no menu has it or it stands there. */
export function forceChange(
  facts: ChainFacts,
  layer: Layer,
  parameter: ForceParameter,
  canonical: number,
  evidence: string,
  rounding: Rounding = 'nearest',
): FeelChange | null {
  const found = forceField(facts.menus, facts.values, layer, parameter);
  if (!found) return null;
  const to = gridValue(found.field, canonical, rounding);
  return to === found.value
    ? null
    : { key: found.key, label: found.field.label, from: found.value, to, evidence };
}

/** The steering’s dead zone or curve brought back to neutral on the layer that has it; `null` where all are neutral. */
export function neutralSteering(
  { menus, values }: ChainFacts,
  parameter: 'deadzone' | 'curve',
  evidence: string,
): FeelChange | null {
  for (const layer of LAYERS) {
    const field = menus[layer].steering?.dialect.fields.find(({ maps }) => parameterOf(maps) === parameter);
    if (!field) continue;
    const key = { layer, axis: 'steering' as const, field: field.key };
    const value = values[keyText(key)];
    if (typeof value === 'number' && value !== field.neutral)
      return { key, label: field.label, from: value, to: field.neutral, evidence };
  }
  return null;
}
