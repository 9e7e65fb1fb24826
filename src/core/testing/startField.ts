import type { z } from 'zod';
import type { titleDocumentSchema } from '../formats/titleJson';
import type { MenuField } from '../response/menuSchema';

/** A field of a menu as a driver describes one: a dead zone in whole percent. */
export const START_FIELD = {
  key: 'start',
  label: 'Start',
  min: 0,
  max: 100,
  step: 1,
  neutral: 0,
  maps: { kind: 'deadzone-amount', full: 100 },
} as const satisfies MenuField;

/** A title of one page with that field, as a page sends it. */
export const FERRY_LANE = {
  name: 'Ferry Lane',
  rotation: 'stretch',
  forceHz: null,
  pages: [
    {
      path: 'Menu',
      layer: 'title',
      axes: ['brake', 'throttle'],
      fields: [{ ...START_FIELD, axes: ['brake', 'throttle'], unit: '', evidence: 'described' }],
    },
  ],
} satisfies z.input<typeof titleDocumentSchema>;
