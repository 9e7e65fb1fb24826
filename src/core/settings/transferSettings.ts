import isEqual from 'fast-deep-equal';
import { AXIS_WORDS, type AxisName } from '../axes/axes';
import { forceField, isForceField } from '../force/forceParameters';
import { gridValue, parameterOf, toCanonical, type MenuSchema } from '../response/menuSchema';
import type { FieldValues } from '../response/settings';
import { translate, type NotExpressible } from '../response/translate';
import type { Menus } from './menus';
import {
  keyText,
  LAYERS,
  POINTS_FIELD,
  sameValue,
  type Layer,
  type SettingKey,
  type SettingValue,
  type SettingValues,
} from './setting';
import { fieldValues } from './trail';

/** One axis on one layer as somebody has set it, in the words of its own menu. */
export interface SetAxis {
  layer: Layer;
  axis: AxisName;
  dialect: MenuSchema;
  values: FieldValues;
  /** A freely drawn curve, where there is one. */
  points: [number, number][] | null;
}

/** What the numbers were made for. */
export interface Hardware {
  drive: string;
  torqueNm: number | null;
  maxRotationDeg: number | null;
}

/** One value that would be set here. */
export interface CarriedItem {
  key: SettingKey;
  from: SettingValue | null;
  to: SettingValue;
  /** Whether it stands there as it was, or had to be translated. */
  isTranslated: boolean;
  /** Why it is not sure that this value does here what it did there; `null` where it is. */
  doubt: string | null;
}

/** Where numbers come from, and whether what is not among them stands at its neutral there or is not known at all. */
export interface Transfer {
  from: Hardware;
  to: Hardware;
  /** Everything that was set there is given; else only what somebody typed is known. */
  isWhole: boolean;
}

const UNKNOWN: Hardware = { drive: '', torqueNm: null, maxRotationDeg: null };
/** Within one rig everything means the same. */
const WITHIN: Transfer = { from: UNKNOWN, to: UNKNOWN, isWhole: true };

/** How well one axis on one layer comes across. */
export interface CarriedAxis {
  layer: Layer;
  axis: AxisName;
  items: CarriedItem[];
  maxError: number;
  atTravel: number;
  notExpressible: NotExpressible[];
}

/** Everything that somebody has set, axis by axis and layer by layer. */
export function setAxesOf(menus: Menus, values: SettingValues): SetAxis[] {
  return LAYERS.flatMap((layer) =>
    Object.entries(menus[layer]).map(([name, menu]): SetAxis => {
      const axis = name as AxisName;
      const points = values[keyText({ layer, axis, field: POINTS_FIELD })];
      return {
        layer,
        axis,
        dialect: menu.dialect,
        values: fieldValues(values, layer, axis),
        points: menu.drawsCurve && Array.isArray(points) ? points : null,
      };
    }),
  );
}

/**
 * What would have to be set here to mean what was set there: every axis translated into the menu that stands in its
 * place. An axis or a layer without one here is named.
 */
export function transferSettings(
  there: readonly SetAxis[],
  menus: Menus,
  values: SettingValues,
  transfer: Transfer = WITHIN,
): CarriedAxis[] {
  const isSameBase = isEqual(transfer.from, transfer.to);
  return there.flatMap((set) => {
    const menu = menus[set.layer][set.axis];
    if (!menu) return isOffNeutral(set) ? [nowhere(set)] : [];
    const translated = translate(set.dialect, set.values, menu.dialect);
    const isSame = isEqual(set.dialect.fields, menu.dialect.fields);
    const key = (field: string): SettingKey => ({ layer: set.layer, axis: set.axis, field });
    const neutral = (field: string) => menu.dialect.fields.find((f) => f.key === field)!.neutral;
    const ofBase = (field: string) => set.layer === 'base' && isForceField(field) && !(isSame && isSameBase);
    // Friction decides it, and that is of the base.
    const ofFriction = (field: string) => field === 'minForce' && !isSameBase;
    const stays = (field: string) => ofBase(field) || ofFriction(field);
    const given = transfer.isWhole ? null : parametersGiven(set);
    const items = Object.entries(translated.values).flatMap(([field, to]): CarriedItem[] => {
      if (stays(field)) return [];
      const target = menu.dialect.fields.find((f) => f.key === field)!;
      // What nobody said stays as it is here.
      if (given && !given.has(parameterOf(target.maps))) return [];
      const from = values[keyText(key(field))] ?? null;
      if (sameValue(from ?? neutral(field), to)) return [];
      return [{ key: key(field), from, to, isTranslated: !isSame, doubt: doubtOf(field, from, isSameBase) }];
    });
    const strength =
      set.layer === 'base' && !(isSame && isSameBase) ? keptTorque(set, menus, values, transfer) : null;
    const drawn = drawnCurve(set, menu.drawsCurve, key(POINTS_FIELD), values);
    return [
      {
        layer: set.layer,
        axis: set.axis,
        items: [...items, ...drawn.items, ...(strength?.items ?? [])],
        maxError: translated.maxError,
        atTravel: translated.atTravel,
        notExpressible: [
          ...translated.notExpressible.filter(({ parameter }) => !stays(parameter)),
          ...drawn.lost,
          ...baseOwn(set, (field) => ofBase(field) && !(field === 'strength' && strength)),
          ...frictionsOwn(set, ofFriction),
          ...(strength?.lost ?? []),
        ],
      },
    ];
  });
}

/** Parameters of which a value was given. */
function parametersGiven({ dialect, values }: SetAxis): ReadonlySet<string> {
  return new Set(
    dialect.fields.filter((field) => values[field.key] !== undefined).map(({ maps }) => parameterOf(maps)),
  );
}

/** What of the title's force does on another base something else than there. */
const BASE_DECIDES: ReadonlySet<string> = new Set(['gain', 'titleDamper', 'titleSpring']);

function doubtOf(field: string, from: SettingValue | null, isSameBase: boolean): string | null {
  if (field === 'minForce' && from !== null) return 'it was set here already, perhaps found on this rig';
  if (!isSameBase && BASE_DECIDES.has(field)) return 'what it does at the rim depends on the base';
  return null;
}

/**
 * The strength with which a full signal gives the torque that it gave there: strength · rated torque, to half a step.
 * @returns `null` where one of the two torques is not known, or a menu has no strength
 */
function keptTorque(
  set: SetAxis,
  menus: Menus,
  values: SettingValues,
  { from, to, isWhole }: Transfer,
): { items: CarriedItem[]; lost: NotExpressible[] } | null {
  const source = set.dialect.fields.find(({ key }) => key === 'strength');
  const mine = forceField(menus, values, 'base', 'strength');
  if (!source || !mine || from.torqueNm === null || to.torqueNm === null) return null;
  if (!isWhole && set.values[source.key] === undefined) return null;
  const torqueNm = toCanonical(source, set.values[source.key] ?? source.neutral) * from.torqueNm;
  const most = toCanonical(mine.field, mine.field.max) * to.torqueNm;
  if (torqueNm > most)
    return {
      items: [],
      lost: [
        {
          parameter: mine.field.label,
          why: `A full signal gave ${torqueNm.toFixed(1)} N·m there; yours ends at ${most.toFixed(1)}.`,
        },
      ],
    };
  const value = gridValue(mine.field, torqueNm / to.torqueNm);
  const before = values[keyText(mine.key)] ?? null;
  if (sameValue(before ?? mine.field.neutral, value)) return { items: [], lost: [] };
  return {
    items: [{ key: mine.key, from: before, to: value, isTranslated: true, doubt: null }],
    lost: [],
  };
}

/** Minimum force lifts over the friction of the base that it was found on. */
function frictionsOwn({ dialect, values }: SetAxis, stays: (field: string) => boolean): NotExpressible[] {
  return dialect.fields
    .filter((field) => stays(field.key) && (values[field.key] ?? field.neutral) !== field.neutral)
    .map((field) => ({
      parameter: field.label,
      why: `${field.label} lifts over the friction of that base; Force finds it for yours.`,
    }));
}

/** Strength, dampers and filters of a base are shares of its own torque: as numbers they mean nothing on another. */
function baseOwn({ dialect, values }: SetAxis, stays: (field: string) => boolean): NotExpressible[] {
  return dialect.fields
    .filter((field) => stays(field.key) && (values[field.key] ?? field.neutral) !== field.neutral)
    .map((field) => ({
      parameter: field.label,
      why: `${field.label} is a share of that base’s own torque; Force finds it for yours.`,
    }));
}

function drawnCurve(
  { points, axis }: SetAxis,
  drawsCurve: boolean,
  key: SettingKey,
  values: SettingValues,
): { items: CarriedItem[]; lost: NotExpressible[] } {
  if (!points) return { items: [], lost: [] };
  if (!drawsCurve)
    return {
      items: [],
      lost: [{ parameter: 'curve', why: `The ${AXIS_WORDS[axis]} cannot be drawn freely here.` }],
    };
  const from = values[keyText(key)] ?? null;
  return {
    items: sameValue(from, points) ? [] : [{ key, from, to: points, isTranslated: false, doubt: null }],
    lost: [],
  };
}

function isOffNeutral({ dialect, values, points }: SetAxis): boolean {
  return (
    points !== null || dialect.fields.some((f) => values[f.key] !== undefined && values[f.key] !== f.neutral)
  );
}

const NOWHERE: Record<Layer, string> = {
  base: 'This base has no setting for it.',
  title: 'This title has no such axis.',
  car: 'This car has no menu for it.',
};

function nowhere({ layer, axis }: SetAxis): CarriedAxis {
  const why = NOWHERE[layer];
  return {
    layer,
    axis,
    items: [],
    maxError: 0,
    atTravel: 0,
    notExpressible: [{ parameter: 'all of it', why }],
  };
}

/** "made on 14 N·m direct drive; yours is 2.2 N·m gear driven": what differs between two bases; nothing where they agree. */
export function hardwareDiffers(there: Hardware, here: Hardware): string | null {
  if (isEqual(there, here)) return null;
  const said = ({ drive, torqueNm, maxRotationDeg }: Hardware) =>
    [
      torqueNm === null ? null : `${torqueNm} N·m`,
      drive,
      maxRotationDeg === null ? null : `up to ${maxRotationDeg}°`,
    ]
      .filter(Boolean)
      .join(' ');
  return `made on ${said(there)}; yours is ${said(here)}`;
}
