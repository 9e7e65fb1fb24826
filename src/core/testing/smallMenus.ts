import type { Menus } from '../settings/menus';
import { START_FIELD } from './startField';

/** Menus of a title of our own: a start of the brake, a turn and a gain of the wheel; the base has a start as well. */
export const SMALL_MENUS: Menus = {
  base: { brake: { dialect: { name: 'Loft base', axis: 'brake', fields: [START_FIELD] }, drawsCurve: true } },
  title: {
    brake: { dialect: { name: 'Ferry Lane', axis: 'brake', fields: [START_FIELD] }, drawsCurve: false },
    steering: {
      dialect: {
        name: 'Ferry Lane',
        axis: 'steering',
        fields: [
          {
            key: 'rotation',
            label: 'Wheel turns',
            min: 180,
            max: 1080,
            step: 10,
            neutral: 900,
            maps: { kind: 'degrees', of: 'rotation' },
          },
          {
            key: 'gain',
            label: 'Weight',
            min: 0,
            max: 10,
            step: 1,
            neutral: 5,
            maps: { kind: 'gain', of: 'gain' },
          },
        ],
      },
      drawsCurve: false,
    },
  },
  car: {},
};
