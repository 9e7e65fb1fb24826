import type { MenuField } from '../response/menuSchema';

const field = (range: Pick<MenuField, 'min' | 'max' | 'step' | 'neutral' | 'maps'>): MenuField => ({
  key: 'linearity',
  label: 'Linearity',
  ...range,
});

/** The bend of a pedal as menus write it: an amount, the exponent itself, clicks of which more is livelier. */
export const LINEARITY_FIELDS = {
  amount: field({
    min: 0,
    max: 100,
    step: 1,
    neutral: 0,
    maps: { kind: 'gamma-log', base: 4, half: 100, sign: 1 },
  }),
  exponent: field({ min: 0.5, max: 3, step: 0.05, neutral: 1, maps: { kind: 'gamma-direct' } }),
  clicks: field({
    min: 0,
    max: 20,
    step: 1,
    neutral: 10,
    maps: { kind: 'gamma-log', base: 3, half: 10, sign: -1 },
  }),
};
