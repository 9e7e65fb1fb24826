import type { GuideRemark } from '@/core/axes/guideState';
import { gateName } from '@/core/axes/analyseShifter';
import type { CaptureStep } from '@/core/axes/programme';
import { AXIS_WORDS, strokeOf, strokesOf, workedBy, type AxisName, type WorkedBy } from '@/core/axes/axes';
import { percent } from '@/core/text/percent';
import { capital } from './format';

export interface Prompt {
  title: string;
  how: string;
}

const times = (n: number) =>
  ['', 'Once.', 'Twice.', 'Three times.', 'Four times.', 'Five times.', 'Six times.'][n] ?? '';

type Ask = (name: string, axis: AxisName, step: CaptureStep, at: number, by: WorkedBy) => Prompt;

const ASKS: Record<CaptureStep['kind'], Ask> = {
  rest: (name, axis, _step, at, by) => {
    if (axis === 'steering')
      return at === 0
        ? {
            title: 'Let go of the wheel',
            how: 'Straight ahead, hands off. Two seconds of stillness are enough.',
          }
        : { title: 'Let go', how: 'Let the wheel come back by itself, or turn it back and let go.' };
    if (axis === 'gear')
      return { title: 'Lever in neutral', how: 'Out of every gate. Two seconds are enough.' };
    return {
      title: `${workedBy(axis, by).limb} off the ${name}`,
      how: 'Keep still. Two seconds of stillness are enough.',
    };
  },
  cover: (name, axis, _step, _at, by) => ({
    title: `Rest your ${workedBy(axis, by).limb.toLowerCase()} on the ${name} as when driving`,
    how:
      axis === 'brake'
        ? `As on a long straight: not ${strokeOf(axis, by)}ing. Hold it.`
        : `As you would wait on it, not ${strokeOf(axis, by)}ing. Hold it.`,
  }),
  takeup: (name, axis, { wanted }, _at, by) => ({
    title: `${workedBy(axis, by).verb} until you feel it resist`,
    how: `Only take up the slack of the ${name}, hold, let go. ${times(wanted)}`,
  }),
  sweep: (name, axis, { wanted }, _at, by) =>
    axis === 'steering'
      ? {
          title: 'Turn fully left, fully right, and back',
          how: `To both stops, gently, then to the middle. ${times(wanted)}`,
        }
      : {
          title: `${workedBy(axis, by).verb} the ${name} to the stop and back`,
          how: `A slow second each way, all the way to the stop. ${times(wanted)}`,
        },
  press: (name, axis, { wanted }, _at, by) =>
    axis === 'brake'
      ? {
          title: `${workedBy(axis, by).verb} hard, as hard as is comfortable`,
          how: `As hard as you would still like to in the twentieth minute. Hold it half a second, let go. ${times(wanted)}`,
        }
      : {
          title: `${workedBy(axis, by).verb} the ${name} fully, as you drive`,
          how: `Where it feels full to you. Hold it half a second, let go. ${times(wanted)}`,
        },
  hold: (_name, _axis, { degrees = 0 }) => {
    const side = degrees > 0 ? 'left' : 'right';
    const turn = { 90: 'a quarter turn', 180: 'half a turn', 360: 'a full turn' }[Math.abs(degrees)];
    return {
      title: `Hold ${turn ?? `${Math.abs(degrees)}°`} to the ${side}`,
      how:
        Math.abs(degrees) >= 180
          ? 'The mark on the rim back where it was. The larger the angle, the less a hand’s error counts.'
          : 'The spoke that lay level now stands upright. Hold it still.',
    };
  },
  gate: (_name, _axis, { gate = 0, wanted }) => {
    const into = gate === -1 ? 'reverse' : gateName(gate);
    return { title: `Into ${into} and out again`, how: `Leave it in for half a second. ${times(wanted)}` };
  },
};

const SEQUENTIAL: Record<number, Prompt> = {
  1: { title: 'Shift up', how: 'Pull the lever and let it come back. Five times.' },
  [-1]: { title: 'Shift down', how: 'Push the lever and let it come back. Five times.' },
};

/** What the driver is asked to do at a step. */
export function promptOf(
  axis: AxisName,
  step: CaptureStep | null,
  at: number,
  isSequential = false,
  by: WorkedBy = 'feet',
): Prompt {
  if (!step) return { title: 'Done', how: 'Everything is recorded. It is being kept.' };
  if (isSequential && step.kind === 'gate') return SEQUENTIAL[step.gate ?? 1]!;
  return ASKS[step.kind](AXIS_WORDS[axis], axis, step, at, by);
}

/** Names of the steps over their pebbles. */
export function stepName(
  step: CaptureStep,
  axis: AxisName,
  isSequential = false,
  by: WorkedBy = 'feet',
): string {
  const names: Record<CaptureStep['kind'], string> = {
    rest: 'At rest',
    cover: 'Resting on it',
    takeup: 'Slack',
    sweep: 'Full sweeps',
    press: capital(strokesOf(axis, by)),
    hold: `${(step.degrees ?? 0) > 0 ? 'Left' : 'Right'} ${Math.abs(step.degrees ?? 0)}°`,
    gate: capital(gateName(step.gate ?? 1, isSequential)),
  };
  return names[step.kind];
}

type Say<K extends GuideRemark['kind']> = (
  remark: Extract<GuideRemark, { kind: K }>,
  axis: AxisName,
  by: WorkedBy,
) => string;

const REMARKS: { [K in GuideRemark['kind']]: Say<K> } = {
  none: () => '',
  moved: () => 'It moved: starting this step again.',
  'turned-while-resting': ({ share }) =>
    `It was turned by ${percent(share)} of its range while it should rest: starting this step again.`,
  'pressed-instead-of-resting': (_, axis, by) =>
    `That was a ${strokeOf(axis, by)}. Only rest the ${workedBy(axis, by).limb.toLowerCase()}; starting this step again.`,
  'pressed-too-far': ({ share }) => `That went to ${percent(share)}. Only until it resists; not counted.`,
  'too-fast': ({ seconds }) => `Too fast (${seconds.toFixed(1)} s): take a second each way. Not counted.`,
  'not-to-the-stop': ({ share }) => `That stopped at ${percent(share)} of the others. Not counted.`,
  'short-on-one-side': ({ side, share }) =>
    `The ${side} side ended at ${percent(share)} of what it should be: turn to both stops. Not counted.`,
  'not-held': (_, axis, by) => `Hold the ${strokeOf(axis, by)} for half a second. Not counted.`,
  'press-stopped-early': ({ share, others }, axis, by) =>
    `That ${strokeOf(axis, by)} stopped at ${percent(share)}, the others at ${percent(others)}. Not counted.`,
  'wrong-side': ({ asked }) => `That is the other side: turn it to the ${asked}.`,
  'not-the-angle': ({ asked, about }) => `That is about ${about}°, not ${asked}°. Turn on, then hold still.`,
  'still-held': () => 'The wheel has not come back. Let go, or turn it back to the middle and let go.',
  'gate-read': ({ reading, done, wanted }) => `Read as ${reading}: ${done} of ${wanted}.`,
  'gate-taken': ({ reading, gate }) =>
    `That read as ${reading}, which is ${gateName(gate)} already. Try again.`,
  'repeat-counted': ({ done, wanted }) => `${done} of ${wanted}.`,
  'nothing-moves': ({ seconds }) => `Nothing has moved on this axis for ${seconds} s. Is it the right one?`,
  gap: ({ seconds }) =>
    `Nothing came for ${seconds.toFixed(1)} s. What was accepted is kept; go on with this step.`,
  unplugged: () => 'The device is unplugged. What was accepted is kept; plug it in to go on.',
  'more-needed': ({ done, least }) =>
    least === 1
      ? 'Not yet: hold it a moment longer.'
      : `At least ${least} are needed, ${done} counted so far.`,
};

/** The guide's remark as a sentence; empty where there is nothing to say. */
export function remarkText(remark: GuideRemark, axis: AxisName, by: WorkedBy = 'feet'): string {
  return (REMARKS[remark.kind] as Say<GuideRemark['kind']>)(remark, axis, by);
}

export function otherAxisText(axis: AxisName, other: AxisName): string {
  return `The ${AXIS_WORDS[other]} moves, the ${AXIS_WORDS[axis]} does not. Is that the right one?`;
}
