import { LINEAR, type Curve } from './curve';
import { responseParameterOf, toCanonical, type MenuSchema, type MenuField } from './menuSchema';
import { LEAST_TRAVEL, NEUTRAL_LAYER, TRAVEL_ROUNDING, type ResponseLayer } from './layer';
import { fail, succeed, type Outcome } from '../problem';

/** Menu values by field key. A field that is not named stands at its neutral. */
export type FieldValues = Record<string, number>;

export function fieldOf(dialect: MenuSchema, key: string): MenuField | undefined {
  return dialect.fields.find((field) => field.key === key);
}

export function valueOf(field: MenuField, values: FieldValues): number {
  return Object.hasOwn(values, field.key) ? values[field.key]! : field.neutral;
}

/** The response layer that a title's menu values mean. */
export function layerFromSettings(dialect: MenuSchema, values: FieldValues): ResponseLayer {
  const layer: ResponseLayer = { ...NEUTRAL_LAYER };
  for (const field of dialect.fields) {
    const canonical = toCanonical(field, valueOf(field, values));
    const parameter = responseParameterOf(field.maps);
    if (parameter === null) continue;
    if (parameter === 'curve') layer.curve = curveOf(field, canonical);
    else layer[parameter] = canonical;
  }
  return layer;
}

/** The curve behind a curve field's canonical number: γ, or k where the field blends. */
export function curveOf(field: MenuField, canonical: number): Curve {
  if (field.maps.kind === 'blend') return { kind: 'blend', k: canonical };
  return canonical === 1 ? LINEAR : { kind: 'power', gamma: canonical };
}

/** Refuses a menu value off the field's range, and settings that leave too little travel. */
export function checkSettings(dialect: MenuSchema, values: FieldValues): Outcome<ResponseLayer> {
  for (const [key, value] of Object.entries(values)) {
    const field = fieldOf(dialect, key);
    if (!field)
      return fail({
        code: 'unknown-field',
        message: `${dialect.name} has no field "${key}" for the ${dialect.axis}.`,
        place: { channel: dialect.axis },
        remedy: `It has: ${dialect.fields.map((f) => f.key).join(', ')}.`,
      });
    if (!(value >= field.min && value <= field.max))
      return fail({
        code: 'out-of-range',
        message: `${field.label} ${value} is outside what ${dialect.name} takes.`,
        place: { channel: dialect.axis },
        remedy: `Choose from ${field.min} to ${field.max} in steps of ${field.step}.`,
      });
  }
  const layer = layerFromSettings(dialect, values);
  if (layer.saturation - layer.deadzone < LEAST_TRAVEL - TRAVEL_ROUNDING)
    return fail({
      code: 'no-travel-left',
      message: `Dead zone ${layer.deadzone.toFixed(2)} and saturation ${layer.saturation.toFixed(2)} leave no travel between them.`,
      place: { channel: dialect.axis },
      remedy: `Leave at least ${LEAST_TRAVEL} of the travel.`,
    });
  return succeed(layer);
}
