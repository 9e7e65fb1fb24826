import { respond } from './compose';
import { gridPoint, type MenuField, type FieldMap, type ResponseParameter } from './menuSchema';
import { LEAST_TRAVEL, NEUTRAL_LAYER, type ResponseLayer } from './layer';
import { layerFromSettings } from './settings';

/** A field whose numbers are known from the menu, and of which only its meaning is asked. */
export type Unmapped = Omit<MenuField, 'maps'>;

/** What a title displays at a known input, both 0…1, with the field at a value away from its neutral. */
export interface Shown {
  input: number;
  shown: number;
}

export interface Probed {
  maps: FieldMap;
  /** Greatest |shown − mapped| over the inputs. */
  residual: number;
  /** What more of it does, in words for a curve; `null` for the rest. */
  direction: 'calmer' | 'livelier' | null;
}

/** A display is read to a percent or so: a better fit than this is no evidence for another kind of field. */
const READING = 0.006;

/**
 * What a field means, from what the title displays with it: every kind of mapping that its parameter can have is fitted
 * to the readings, and the one that leaves least is given (docs/core.md, response). All other fields stand at neutral.
 * @param value the field's value while the readings were taken; away from neutral, or there is nothing to see
 * @param readings three or more, inputs and displays 0…1
 * @returns the candidates, best first; empty where none fits at all
 */
export function probeField(
  field: Unmapped,
  parameter: ResponseParameter,
  value: number,
  readings: readonly Shown[],
): Probed[] {
  if (value === field.neutral || readings.length < 3) return [];
  return CANDIDATES[parameter](field, value)
    .flatMap(({ make, low, high }) => {
      const residualOf = (x: number) => {
        const maps = make(x);
        return maps === null ? Infinity : residual({ ...field, maps }, value, readings);
      };
      const best = minimise(residualOf, low, high);
      const fitted = make(best);
      if (fitted === null || !Number.isFinite(residualOf(best))) return [];
      const maps = rounder(fitted, (maps) => residual({ ...field, maps }, value, readings));
      const left = residual({ ...field, maps }, value, readings);
      return [{ maps, residual: left, direction: directionOf({ ...field, maps }) }];
    })
    .map((probed, order) => ({ probed, order }))
    .sort((a, b) =>
      Math.abs(a.probed.residual - b.probed.residual) < READING
        ? a.order - b.order
        : a.probed.residual - b.probed.residual,
    )
    .map(({ probed }) => probed);
}

/** A kind of mapping with one number that is not known. */
interface Candidate {
  make(x: number): FieldMap | null;
  low: number;
  high: number;
}

const fixed = (maps: FieldMap): Candidate => ({ make: () => maps, low: 0, high: 0 });

/** In the order in which they are believed where two fit alike. */
const CANDIDATES: Record<ResponseParameter, (field: Unmapped, value: number) => Candidate[]> = {
  deadzone: (_, value) => [
    { make: (d) => (d > 0 ? { kind: 'deadzone-amount', full: tidy(value / d) } : null), low: 0, high: 0.95 },
  ],
  // At its neutral nothing is cut off: an end point stands at full there, an amount at nothing.
  saturation: (field, value) =>
    field.neutral > 0
      ? [fixed({ kind: 'saturation-end', full: field.neutral })]
      : [
          {
            make: (s) =>
              s < 1 ? { kind: 'saturation-amount', full: field.max, reach: reachFor(field, value, s) } : null,
            low: 0.05,
            high: 1,
          },
        ],
  curve: (field, value) => {
    const half = Math.max(field.max - field.neutral, field.neutral - field.min);
    const sign = (gamma: number) => (gamma > 1 === value > field.neutral ? 1 : -1);
    return [
      ...(field.neutral === 1 ? [fixed({ kind: 'gamma-direct' })] : []),
      {
        make: (log) => {
          const gamma = Math.exp(log);
          const base = Math.exp(Math.abs(log) * (half / Math.abs(value - field.neutral)));
          return base > 1 ? { kind: 'gamma-log', base: tidy(base), half, sign: sign(gamma) } : null;
        },
        low: Math.log(0.2),
        high: Math.log(5),
      },
      ...(field.neutral === 0
        ? [
            {
              make: (k: number) => (k * value > 0 ? { kind: 'blend' as const, full: tidy(value / k) } : null),
              low: -0.5,
              high: 1,
            },
          ]
        : []),
    ];
  },
};

function reachFor(field: Unmapped, value: number, s: number): number {
  return tidy(Math.min(1, Math.max(LEAST_TRAVEL, ((1 - s) * field.max) / value)));
}

/** Menus are made with round numbers: the roundest that fits about as well as the best. */
function rounder(maps: FieldMap, residualOf: (maps: FieldMap) => number): FieldMap {
  const least = residualOf(maps);
  for (const digits of [1, 2]) {
    const round = (x: number) => Number(x.toPrecision(digits));
    const key = FITTED[maps.kind];
    if (key === undefined) return maps;
    const tried = { ...maps, [key]: round(Number(maps[key as keyof FieldMap])) };
    if (residualOf(tried) <= least + READING) return tried;
  }
  return maps;
}

/** The number of a mapping that was fitted; its others are the menu's own. */
const FITTED: Partial<Record<FieldMap['kind'], string>> = {
  'deadzone-amount': 'full',
  'saturation-amount': 'reach',
  'gamma-log': 'base',
  blend: 'full',
};

/** A fitted number as a person would write it: three digits. */
const tidy = (x: number) => Number(x.toPrecision(3));

function residual(field: MenuField, value: number, readings: readonly Shown[]): number {
  const layer = layerAt(field, value);
  if (layer.saturation - layer.deadzone < LEAST_TRAVEL) return Infinity;
  return Math.max(...readings.map(({ input, shown }) => Math.abs(respond([layer], input) - shown)));
}

function layerAt(field: MenuField, value: number): ResponseLayer {
  const { deadzone, saturation, curve } = layerFromSettings(
    { name: '', axis: '', fields: [field] },
    { [field.key]: value },
  );
  const neutral = { ...NEUTRAL_LAYER };
  return { deadzone: deadzone || neutral.deadzone, saturation, curve };
}

/** What the next step up from neutral does to the middle of the way. */
function directionOf(field: MenuField): Probed['direction'] {
  const { kind } = field.maps;
  if (kind !== 'gamma-direct' && kind !== 'gamma-log' && kind !== 'blend') return null;
  const up = gridPoint(field, Math.round((field.neutral - field.min) / field.step) + 1);
  const isUp = up > field.neutral;
  const other = isUp ? up : gridPoint(field, Math.round((field.neutral - field.min) / field.step) - 1);
  const middle = respond([layerAt(field, other)], 0.5);
  return middle < 0.5 === isUp ? 'calmer' : 'livelier';
}

const GRID = 80;
const ROUNDS = 5;

/** Least of a function of one number with few hollows: a grid, then ever finer ones around the best. */
function minimise(f: (x: number) => number, low: number, high: number): number {
  let [from, to] = [low, high];
  let best = low;
  for (let round = 0; round < ROUNDS; round++) {
    const step = (to - from) / GRID;
    for (let i = 0; i <= GRID; i++) if (f(from + i * step) < f(best)) best = from + i * step;
    [from, to] = [Math.max(low, best - step), Math.min(high, best + step)];
  }
  return best;
}
