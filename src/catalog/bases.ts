import { AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import type { MenuPage } from '@/core/card/setupCard';
import type { BaseProgram, RigSpec } from '@/core/rig/rigSpec';
import { SHAPED_AXES } from '@/core/formats/titleJson';
import type { MenuSchema, MenuField } from '@/core/response/menuSchema';
import { bandParameter } from '@/core/force/forceParameters';
import { BAND_HZ } from '@/core/force/forceSettings';
import type { Menu } from '@/core/settings/menus';
import { gainField, shareField } from './dialects';

/** The driver program of a base: what it lets one set, in the order of its own menus. */
export type BaseMenus = Partial<Record<AxisName, Menu>>;

const LEAST_ROTATION_DEG = 90;
const USUAL_MAX_DEG = 900;
const USUAL_MAX_NM = 10;

const dialect = (name: string, axis: string, fields: MenuField[]): MenuSchema => ({ name, axis, fields });

function rotationField(spec: RigSpec, label: string, step: number): MenuField {
  const max = spec.base.maxRotationDeg ?? USUAL_MAX_DEG;
  return {
    key: 'rotation',
    label,
    min: LEAST_ROTATION_DEG,
    max,
    step,
    neutral: spec.base.rotationDeg ?? max,
    maps: { kind: 'degrees', of: 'rotation' },
  };
}

function torqueLimitField(spec: RigSpec): MenuField {
  const max = spec.base.torqueNm ?? USUAL_MAX_NM;
  return {
    key: 'torqueLimit',
    label: 'Ceiling',
    min: 1,
    max,
    step: 0.5,
    neutral: max,
    maps: { kind: 'torque', of: 'torqueLimit' },
  };
}

/** Ends of a pedal's way as the base passes it on, in percent. */
const ends = (startLabel: string, fullLabel: string): MenuField[] => [
  {
    key: 'deadzone',
    label: startLabel,
    min: 0,
    max: 30,
    step: 1,
    neutral: 0,
    maps: { kind: 'deadzone-amount', full: 100 },
  },
  {
    key: 'saturation',
    label: fullLabel,
    min: 50,
    max: 100,
    step: 1,
    neutral: 100,
    maps: { kind: 'saturation-end', full: 100 },
  },
];

const blend: MenuField = {
  key: 'linearity',
  label: 'Blend',
  min: -50,
  max: 100,
  step: 5,
  neutral: 0,
  maps: { kind: 'blend', full: 100 },
};

const plain = (name: string, axis: string, fields: MenuField[]): Menu => ({
  dialect: dialect(name, axis, fields),
  drawsCurve: false,
});
const drawn = (name: string, axis: string, fields: MenuField[]): Menu => ({
  dialect: dialect(name, axis, fields),
  drawsCurve: true,
});

/** What the Gannet's base calls the bands of its equaliser, from the slowest up. */
const GANNET_BANDS = ['Long swell', 'Short swell', 'Chop', 'Ripple', 'Buzz'];

/** What the three demo bases let one set; any other base turns, and that is all that is known of it. */
const BASES: Record<string, (spec: RigSpec) => BaseMenus> = {
  wren: (spec) => ({
    steering: plain('Wren base', 'steering', [
      rotationField(spec, 'Turn range', 10),
      shareField('strength', 'Strength', { min: 0, max: 100, step: 5, neutral: 100 }, 100),
      shareField('damperChannel', 'Damping passed on', { min: 0, max: 100, step: 10, neutral: 100 }, 100),
      shareField('springChannel', 'Centring passed on', { min: 0, max: 100, step: 10, neutral: 100 }, 100),
    ]),
  }),
  tern: (spec) => ({
    steering: plain('Tern base', 'steering', [
      rotationField(spec, 'Lock to lock', 2),
      shareField('strength', 'Power', { min: 10, max: 100, step: 5, neutral: 100 }, 100),
      // It comes with both channels shut: a title's damper and centring do nothing until they are opened.
      shareField('damperChannel', 'Damping let through', { min: 0, max: 100, step: 10, neutral: 0 }, 100),
      shareField('springChannel', 'Centring let through', { min: 0, max: 100, step: 10, neutral: 0 }, 100),
      shareField('damper', 'Slow hand', { min: 0, max: 100, step: 5, neutral: 0 }, 100),
      shareField('smoothing', 'Polish', { min: 0, max: 10, step: 1, neutral: 0 }, 10),
    ]),
    brake: plain('Tern base', 'brake', [...ends('Cut below', 'Full from'), blend]),
  }),
  gannet: (spec) => ({
    steering: plain('Gannet base', 'steering', [
      rotationField(spec, 'Wingspan', 10),
      shareField('strength', 'Might', { min: 0, max: 100, step: 1, neutral: 60 }, 100),
      torqueLimitField(spec),
      shareField('damperChannel', 'Calm let in', { min: 0, max: 100, step: 5, neutral: 100 }, 100),
      shareField('springChannel', 'Homing let in', { min: 0, max: 100, step: 5, neutral: 100 }, 100),
      shareField('damper', 'Oil', { min: 0, max: 100, step: 1, neutral: 10 }, 100),
      shareField('friction', 'Sand', { min: 0, max: 100, step: 1, neutral: 0 }, 100),
      shareField('inertia', 'Ballast', { min: 0, max: 100, step: 1, neutral: 0 }, 100),
      shareField('smoothing', 'Feather', { min: 0, max: 10, step: 1, neutral: 2 }, 10),
      ...BAND_HZ.map((hz, i) =>
        gainField(bandParameter(hz), GANNET_BANDS[i]!, { min: 20, max: 200, step: 10, neutral: 100 }),
      ),
      shareField('protection', 'Let-go guard', { min: 0, max: 1, step: 1, neutral: 1 }, 1),
    ]),
    throttle: drawn('Gannet base', 'throttle', ends('Low end', 'High end')),
    brake: drawn('Gannet base', 'brake', ends('Low end', 'High end')),
    clutch: drawn('Gannet base', 'clutch', ends('Low end', 'High end')),
  }),
};

/** The pages of a base's program: one, with the wheel first. */
export function basePages(spec: RigSpec): MenuPage[] {
  const name = baseMenus(spec).steering?.dialect.name ?? 'Base';
  return [{ path: `${name} › Settings`, layer: 'base', axes: SHAPED_AXES }];
}

/** The menus of a rig's base: as its owner described them, else as the catalogue knows them. */
export function baseMenus(spec: RigSpec): BaseMenus {
  const { program } = spec.base;
  if (program) return describedMenus(program);
  const { device } = spec;
  const known =
    device.kind === 'simulated' && Object.hasOwn(BASES, device.rig) ? BASES[device.rig] : undefined;
  return known ? known(spec) : { steering: plain('Base', 'steering', [rotationField(spec, 'Rotation', 1)]) };
}

function describedMenus({ name, steering, axes, fields }: BaseProgram): BaseMenus {
  return {
    steering: plain(name, 'steering', steering),
    ...Object.fromEntries(axes.map((axis) => [axis, plain(name, AXIS_WORDS[axis], fields)])),
  };
}
