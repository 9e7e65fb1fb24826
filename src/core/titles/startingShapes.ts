import { usualNeutral, type DescribedField } from './describedField';
import { usualPlace } from './place';
import type { Role } from './roles';

interface Shape {
  name: string;
  min: number;
  max: number;
  step: number;
  unit: string;
}

/** How titles mostly write their numbers. */
export const SHAPES: Readonly<Record<string, Shape>> = {
  amounts: { name: '0 … 100, whole', min: 0, max: 100, step: 1, unit: '' },
  percent: { name: 'per cent to 200', min: 0, max: 200, step: 1, unit: '%' },
  decimals: { name: 'decimals 0 … 1', min: 0, max: 1, step: 0.01, unit: '' },
  clicks: { name: '0 … 20 clicks', min: 0, max: 20, step: 1, unit: '' },
};

const STARTS: Record<'title' | 'base', readonly [Role, string][]> = {
  title: [
    ['gain', 'Gain'],
    ['minForce', 'Minimum force'],
    ['titleDamper', 'Damper'],
    ['roadEffect', 'Road'],
    ['kerbEffect', 'Kerbs'],
    ['rotation', 'Rotation'],
    ['deadzone', 'Dead zone'],
    ['saturation', 'Saturation'],
    ['linearity', 'Linearity'],
  ],
  base: [
    ['rotation', 'Rotation'],
    ['strength', 'Strength'],
    ['damperChannel', 'Damper of the title'],
    ['springChannel', 'Spring of the title'],
    ['damper', 'Damper'],
    ['friction', 'Friction'],
    ['inertia', 'Inertia'],
    ['smoothing', 'Filter'],
  ],
};

/** The fields that most menus have, on one of the usual scales: to be renamed, corrected and taken out. */
export function startingFields(shape: Shape, of: 'title' | 'base', page: string): DescribedField[] {
  return STARTS[of].map(([role, label]) => {
    const turns = role === 'rotation';
    const [min, max, step] = turns ? [180, 1080, 10] : [shape.min, shape.max, shape.step];
    const neutral = role === 'gain' && max > 1 && max < 100 ? max / 2 : usualNeutral(role, min, max);
    const unit = turns ? '°' : shape.unit;
    return {
      page,
      ...usualPlace(role),
      label,
      role,
      min,
      max,
      step,
      neutral,
      unit,
      maps: null,
      isMeasured: false,
      isApart: false,
      value: null,
    };
  });
}
