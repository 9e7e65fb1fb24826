import type { Effect } from './effects';

/** A way to begin with the effects: what is not named is off. Canonical shares. */
export interface EffectPreset {
  name: string;
  why: string;
  shares: Partial<Record<Effect, number>>;
}

/** From the fewest up: what is taken away tells more than what is added. */
export const EFFECT_PRESETS: readonly EffectPreset[] = [
  { name: 'The tyres alone', why: 'no effect at all, to learn what the car says by itself', shares: {} },
  {
    name: 'Edges',
    why: 'kerbs, the limit of the track, and what the brakes do',
    shares: { kerb: 0.5, abs: 0.3 },
  },
  {
    name: 'A little of each',
    why: 'every effect so quiet that the tyres stay in front',
    shares: { road: 0.3, kerb: 0.5, offtrack: 0.1, slip: 0.2, abs: 0.3, impact: 0.3 },
  },
];
