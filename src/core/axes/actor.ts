import type { CaptureStep } from './programme';

/** What a simulated hand or foot is told to do, in the words of the guide: `hold:90` and `gate:2` name the place. */
export type Motion =
  | 'off'
  | 'rest'
  | 'takeup'
  | 'sweep'
  | 'press'
  | 'flick'
  | `pendulum:${string}`
  | `hold:${number}`
  | `gate:${number}`;

/** A hand or foot on one axis: told what to do, it gives the position that its sensor sees, step by step. */
export interface Actor {
  intend(motion: Motion): void;
  step(dt: number): number;
}

const OBEYS = {
  rest: () => 'off',
  cover: () => 'rest',
  takeup: () => 'takeup',
  sweep: () => 'sweep',
  press: () => 'press',
  hold: (step: CaptureStep) => `hold:${step.degrees!}`,
  gate: (step: CaptureStep) => `gate:${step.gate!}`,
} as const satisfies Record<CaptureStep['kind'], (step: CaptureStep) => Motion>;

/** What somebody does who follows the guide; off the axis when there is nothing more to do. */
export function obedientMotion(step: CaptureStep | null): Motion {
  return step ? OBEYS[step.kind](step) : 'off';
}

/** Smooth movement between two positions of least jerk (Flash & Hogan 1985); u runs from 0 to 1. */
export function eased(u: number): number {
  return u * u * u * (10 + u * (6 * u - 15));
}
