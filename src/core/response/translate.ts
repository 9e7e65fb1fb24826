import isEqual from 'fast-deep-equal';
import { isLinear, type Curve } from './curve';
import {
  gridCount,
  gridPoint,
  parameterOf,
  responseParameterOf,
  RESPONSE_PARAMETERS,
  toCanonical,
  type MenuSchema,
  type MenuField,
  type ResponseParameter,
} from './menuSchema';
import { LEAST_TRAVEL, layerValue, NEUTRAL_LAYER, TRAVEL_ROUNDING, type ResponseLayer } from './layer';
import { curveOf, layerFromSettings, valueOf, type FieldValues } from './settings';

export interface NotExpressible {
  /** `deadzone`, `saturation`, `curve`, or the name of another setting. */
  parameter: string;
  why: string;
}

export interface Translation {
  /** A value for every field of the target, on its own grid. */
  values: FieldValues;
  /** Greatest |Δy| over x = i/200, and the least x where it is. */
  maxError: number;
  atTravel: number;
  notExpressible: NotExpressible[];
}

const GRID_STEPS = 200;
/** Two errors closer than this are a tie: the values nearest to neutral win. */
const TIE = 1e-9;
/** Up to so many combinations every one is tried; beyond, the grid is searched from coarse to fine. */
const TRY_ALL = 60_000;
const COARSE_POINTS = 13;
const STARTS = 10;

/**
 * Writes settings of one dialect in another: the target's dead zone, saturation and curve on its own grid that minimise
 * the greatest |Δy| over 201 points, and every other setting at its nearest grid value. The same dialect gives the same
 * values. What the target has no field for, or whose range ends before the source's value, is named; a curve met by
 * another kind of curve, or a value rounded to the grid, shows in the error alone.
 * @param values a value for every field of the source
 */
export function translate(source: MenuSchema, values: FieldValues, target: MenuSchema): Translation {
  const layer = layerFromSettings(source, values);
  const notExpressible = [...responseLosses(layer, target)];
  const others = otherSettings(source, values, target, notExpressible);
  if (isEqual(source.fields, target.fields)) {
    const same = Object.fromEntries(target.fields.map((field) => [field.key, valueOf(field, values)]));
    return { values: same, maxError: 0, atTravel: 0, notExpressible: [] };
  }
  const wanted = sampled(layer);
  const best = bestOnGrid(wanted, target);
  const { error, at } = worst(wanted, best.layer);
  const inOrder = Object.fromEntries(
    target.fields.map((field) => [field.key, best.values[field.key] ?? others[field.key] ?? field.neutral]),
  );
  return { values: inOrder, maxError: error, atTravel: at / GRID_STEPS, notExpressible };
}

function sampled(layer: ResponseLayer): Float64Array {
  return Float64Array.from({ length: GRID_STEPS + 1 }, (_, i) => layerValue(layer, i / GRID_STEPS));
}

/** Greatest difference, and where it is first. */
function worst(wanted: Float64Array, layer: ResponseLayer): { error: number; at: number } {
  let error = 0;
  let at = 0;
  for (let i = 0; i <= GRID_STEPS; i++) {
    const difference = Math.abs(layerValue(layer, i / GRID_STEPS) - wanted[i]!);
    if (difference <= error) continue;
    error = difference;
    at = i;
  }
  return { error, at };
}

/** Every point once, far ones one after the other: most candidates are given up within a few. */
const SCATTERED = Uint8Array.from({ length: GRID_STEPS + 1 }, (_, i) => (i * 89) % (GRID_STEPS + 1));

/** Greatest difference alone, in any order; gives up as soon as it is beyond `limit`. */
function errorOf(wanted: Float64Array, layer: ResponseLayer, limit: number): number {
  let error = 0;
  for (const i of SCATTERED) {
    const difference = Math.abs(layerValue(layer, i / GRID_STEPS) - wanted[i]!);
    if (difference > error) error = difference;
    if (error > limit) return error;
  }
  return error;
}

interface Best {
  layer: ResponseLayer;
  values: FieldValues;
}

/** One of the target's response fields with its grid, as canonical numbers. */
interface Dimension {
  field: MenuField;
  parameter: ResponseParameter;
  count: number;
  neutralIndex: number;
  at(index: number): number | Curve;
}

/** The target's values that come closest. */
function bestOnGrid(wanted: Float64Array, target: MenuSchema): Best {
  const dimensions = target.fields.flatMap((field): Dimension[] => {
    const parameter = responseParameterOf(field.maps);
    return parameter ? [dimensionOf(field, parameter)] : [];
  });
  // What neutral says exactly needs no search; most axes are left as they come.
  const neutral = dimensions.map((d) => d.neutralIndex);
  if (errorOf(wanted, layerAt(dimensions, neutral), 0) === 0)
    return { layer: layerAt(dimensions, neutral), values: valuesAt(dimensions, neutral) };
  const search = gridSearch(wanted, dimensions);
  const total = dimensions.reduce((product, d) => product * d.count, 1);
  if (total <= TRY_ALL) search.tryAll(dimensions.map((d) => every(0, d.count - 1, 1)));
  else coarseToFine(search, dimensions);
  const { indices } = search.best();
  return {
    layer: layerAt(dimensions, indices),
    values: valuesAt(dimensions, indices),
  };
}

function valuesAt(dimensions: Dimension[], indices: number[]): FieldValues {
  return Object.fromEntries(dimensions.map((d, k) => [d.field.key, gridPoint(d.field, indices[k]!)]));
}

function dimensionOf(field: MenuField, parameter: ResponseParameter): Dimension {
  const count = gridCount(field);
  const canonical = Float64Array.from({ length: count }, (_, i) => toCanonical(field, gridPoint(field, i)));
  const neutralIndex = Math.round((field.neutral - field.min) / field.step);
  if (parameter !== 'curve') return { field, parameter, count, neutralIndex, at: (i) => canonical[i]! };
  const curves = Array.from(canonical, (value) => curveOf(field, value));
  return { field, parameter, count, neutralIndex, at: (i) => curves[i]! };
}

function layerAt(dimensions: Dimension[], indices: number[]): ResponseLayer {
  const layer: ResponseLayer = { ...NEUTRAL_LAYER };
  dimensions.forEach((dimension, k) => {
    const value = dimension.at(indices[k]!);
    if (dimension.parameter === 'curve') layer.curve = value as Curve;
    else layer[dimension.parameter] = value as number;
  });
  return layer;
}

interface Tried {
  indices: number[];
  error: number;
  /** Steps away from neutral, as shares of each field's range. */
  away: number;
}

function isBetter(a: Tried, b: Tried): boolean {
  return a.error < b.error - TIE || (a.error <= b.error + TIE && a.away < b.away);
}

/** Tries combinations of grid indices and remembers the best few. */
function gridSearch(wanted: Float64Array, dimensions: Dimension[]) {
  let found: Tried[] = [];
  const seen = new Set<number>();
  const keyOf = (indices: number[]) => indices.reduce((key, i, k) => key * dimensions[k]!.count + i, 0);
  const attempt = (indices: number[]) => {
    const key = keyOf(indices);
    if (seen.has(key)) return;
    seen.add(key);
    const layer = layerAt(dimensions, indices);
    if (layer.saturation - layer.deadzone < LEAST_TRAVEL - TRAVEL_ROUNDING) return;
    const limit = found.length < STARTS ? Infinity : found.at(-1)!.error + TIE;
    const error = errorOf(wanted, layer, limit);
    if (error > limit) return;
    const away = indices.reduce(
      (sum, i, k) => sum + Math.abs(i - dimensions[k]!.neutralIndex) / dimensions[k]!.count,
      0,
    );
    const tried = { indices, error, away };
    const at = found.findIndex((known) => isBetter(tried, known));
    found.splice(at < 0 ? found.length : at, 0, tried);
    found = found.slice(0, STARTS);
  };
  return {
    tryAll(axes: number[][]) {
      const walk = (prefix: number[]) => {
        const axis = axes[prefix.length];
        if (!axis) return attempt(prefix);
        for (const i of axis) walk([...prefix, i]);
      };
      walk([]);
    },
    best: () => found[0]!,
    few: () => found.map((tried) => tried.indices),
  };
}

/** A coarse grid over everything, then ever finer ones around the best few, until single steps change nothing. */
function coarseToFine(search: ReturnType<typeof gridSearch>, dimensions: Dimension[]) {
  let strides = dimensions.map((d) => Math.max(1, Math.ceil((d.count - 1) / (COARSE_POINTS - 1))));
  search.tryAll(dimensions.map((d, k) => every(0, d.count - 1, strides[k]!)));
  while (strides.some((stride) => stride > 1)) {
    strides = strides.map((stride) => Math.max(1, Math.ceil(stride / 2)));
    around(search, dimensions, strides);
  }
  for (let before = NaN; before !== search.best().error;) {
    before = search.best().error;
    around(search, dimensions, strides);
  }
}

const REACH = 2;

function around(search: ReturnType<typeof gridSearch>, dimensions: Dimension[], strides: number[]) {
  for (const centre of search.few())
    search.tryAll(
      dimensions.map((d, k) =>
        every(-REACH, REACH, 1)
          .map((n) => centre[k]! + n * strides[k]!)
          .filter((i) => i >= 0 && i < d.count),
      ),
    );
}

/** from, from + stride, … and always the last. */
function every(from: number, to: number, stride: number): number[] {
  const out: number[] = [];
  for (let i = from; i < to; i += stride) out.push(i);
  out.push(to);
  return out;
}

const DEFAULTS: Record<'deadzone' | 'saturation', number> = { deadzone: 0, saturation: 1 };
/** Values this close to their default are at it. */
const AT_DEFAULT = 1e-9;

/** Parts of the response that the target has no field for, or whose range ends before the source's value. */
function responseLosses(layer: ResponseLayer, target: MenuSchema): NotExpressible[] {
  return RESPONSE_PARAMETERS.flatMap((parameter): NotExpressible[] => {
    const field = target.fields.find((f) => responseParameterOf(f.maps) === parameter);
    if (!field) {
      const isOff =
        parameter === 'curve'
          ? !isLinear(layer.curve)
          : Math.abs(layer[parameter] - DEFAULTS[parameter]) > AT_DEFAULT;
      return isOff ? [{ parameter, why: `${target.name} has no field for it.` }] : [];
    }
    const wanted = parameter === 'curve' ? comparable(field, layer.curve) : layer[parameter];
    if (wanted === null) return [];
    const end = endsBefore(field, wanted);
    return end === null ? [] : [{ parameter, why: `${target.name} goes no further than ${end}.` }];
  });
}

/** The source's curve as the number that this field writes; `null` where it is another kind of curve. */
function comparable(field: MenuField, curve: Curve): number | null {
  if (field.maps.kind === 'blend') return curve.kind === 'blend' ? curve.k : null;
  return curve.kind === 'power' ? curve.gamma : null;
}

/** The menu value at which the field's range ends before a canonical number; `null` where it lies inside. */
function endsBefore(field: MenuField, canonical: number): number | null {
  const [first, last] = [field.min, gridPoint(field, gridCount(field) - 1)];
  const ends = [toCanonical(field, first), toCanonical(field, last)].sort((a, b) => a - b);
  const half =
    Math.abs(toCanonical(field, last) - toCanonical(field, gridPoint(field, gridCount(field) - 2))) / 2;
  if (canonical < ends[0]! - half) return toCanonical(field, first) === ends[0] ? first : last;
  if (canonical > ends[1]! + half) return toCanonical(field, first) === ends[1] ? first : last;
  return null;
}

/** Settings outside the response, each at its nearest grid value; what is lost is added to the list. */
function otherSettings(
  source: MenuSchema,
  values: FieldValues,
  target: MenuSchema,
  lost: NotExpressible[],
): FieldValues {
  const out: FieldValues = {};
  for (const field of source.fields) {
    if (responseParameterOf(field.maps)) continue;
    const parameter = parameterOf(field.maps);
    const canonical = toCanonical(field, valueOf(field, values));
    const isOff = Math.abs(valueOf(field, values) - field.neutral) > AT_DEFAULT;
    const into = target.fields.find((f) => parameterOf(f.maps) === parameter);
    if (!into) {
      if (isOff) lost.push({ parameter, why: `${target.name} has no field for it.` });
      continue;
    }
    out[into.key] = nearestOnGrid(into, canonical);
    const end = endsBefore(into, canonical);
    if (end !== null) lost.push({ parameter, why: `${target.name} goes no further than ${end}.` });
  }
  return out;
}

function nearestOnGrid(field: MenuField, canonical: number): number {
  const indices = Array.from({ length: gridCount(field) }, (_, i) => i);
  const away = (i: number) => Math.abs(toCanonical(field, gridPoint(field, i)) - canonical);
  const neutral = (field.neutral - field.min) / field.step;
  const best = indices.reduce((a, b) => {
    const [da, db] = [away(a), away(b)];
    if (Math.abs(da - db) < AT_DEFAULT) return Math.abs(b - neutral) < Math.abs(a - neutral) ? b : a;
    return db < da ? b : a;
  });
  return gridPoint(field, best);
}
