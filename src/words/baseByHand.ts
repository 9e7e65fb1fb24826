import type { SpinRemark, SpinStep } from '@/core/identify/spinGuide';
import type { Estimate } from '@/core/identify/fitSwings';
import type { Prompt } from './prompts';

/** What is to be done before a rim is spun by hand. */
export const BEFORE_SPINNING: readonly string[] = [
  'Force off: no title running, and the base’s strength, damper and centring at 0, or its effects off. Nothing is sent to the wheel.',
  'Rotation at 540° or more, so that a spin does not meet the stop.',
  'Fixings and quick release checked, thumbs outside the spokes, nobody’s face, sleeves or cables near the rim.',
];

/** What is to be done before a mass hangs on it. */
export const BEFORE_HANGING: readonly string[] = [
  'Wheel straight ahead, the mass at the lowest point of the rim, taped and tied so that it cannot come off.',
  'Weigh it on a kitchen scale; measure from the hub’s middle to the middle of the mass.',
  'Feet, knees and pedals out from under it; let go and take the hand away.',
];

/** What the driver is asked to do. */
export function spinPrompt(
  step: SpinStep | null,
  from: 1 | -1 | null,
  motion: 'waiting' | 'held' | 'running',
): Prompt {
  if (!step) return { title: 'Enough for now', how: 'What was read is worked out; it can be kept.' };
  if (step.kind === 'rest')
    return { title: 'Let go of the wheel', how: 'Straight ahead, force off, hands off. A second is enough.' };
  if (step.kind === 'flick') {
    if (motion === 'running') return { title: 'Let it run out', how: 'Hands off until it stands.' };
    const side = from === null ? '120° to one side' : `120° to the ${from > 0 ? 'left' : 'right'}`;
    return motion === 'held'
      ? {
          title: 'Now spin it back and let go',
          how: 'A short push, hands off, and let it run out by itself.',
        }
      : { title: `Turn it ${side} and hold`, how: 'Then spin it to the other side and let go.' };
  }
  if (motion === 'running') return { title: 'Let it swing out', how: 'Hand away until it hangs still.' };
  return motion === 'held'
    ? { title: 'Open the hand', how: 'Only let go: no push.' }
    : {
        title: 'Lift the mass to 75 to 110° and hold',
        how: 'Left and right by turns. Still for half a second.',
      };
}

const REMARKS: Record<SpinRemark, string> = {
  none: '',
  counted: 'Counted.',
  'too-slow': 'Too slow to tell: not counted.',
  'too-short': 'It ran too short a way: spin it harder. Not counted.',
  caught: 'It was caught, or met its stop: not counted. Let it run out by itself.',
  'held-still': 'Held.',
  'not-that-far': 'Lift it further, to 75 to 110°.',
  gap: 'The reports stopped: that spin is not counted.',
};

export const spinRemark = (remark: SpinRemark): string => REMARKS[remark];

/** A figure with what it may be off by: "0.182 ± 0.004". */
export function withHalf({ value, low, high }: Estimate, digits: number): string {
  return `${value.toFixed(digits)} ± ${((high - low) / 2).toFixed(digits)}`;
}
