import { percentTenths } from '@/core/text/percent';
import type { Motion } from '@/core/axes/actor';
import type { ProofItem } from '@/core/axes/proof';
import { AXIS_WORDS, strokeOf, workedBy, type AxisName, type WorkedBy } from '@/core/axes/axes';
import type { Prompt } from './prompts';

/** What the final check asks for. */
export function proofPrompt({ axis, kind }: ProofItem, by: WorkedBy = 'feet'): Prompt {
  const name = AXIS_WORDS[axis];
  const { limb, verb } = workedBy(axis, by);
  switch (kind) {
    case 'rest':
      return verb === 'Pull'
        ? { title: `${limb} on the ${name}, not pulling`, how: 'It must show 0 %.' }
        : { title: `Rest your foot on the ${name}`, how: 'As when driving. It must show 0 %.' };
    case 'full':
      return {
        title: `${verb} the ${name} fully, as you drive`,
        how: 'It must show 100 %.',
      };
    case 'left-lock':
      return { title: 'Turn to the left lock', how: 'It must show 100 % to the left.' };
    case 'right-lock':
      return { title: 'Turn to the right lock', how: 'It must show 100 % to the right.' };
    case 'centre':
      return { title: 'Let go of the wheel', how: 'It must come to rest near its centre.' };
  }
}

/** What a simulated hand or foot does that follows the check. */
export function proofMotion({ kind }: ProofItem): Motion {
  const motions: Record<ProofItem['kind'], Motion> = {
    rest: 'rest',
    full: 'press',
    'left-lock': 'hold:5000',
    'right-lock': 'hold:-5000',
    centre: 'off',
  };
  return motions[kind];
}

export const proofItemName = ({ axis, kind }: ProofItem): string => {
  const what: Record<ProofItem['kind'], string> = {
    rest: 'shows 0 % at rest',
    full: 'shows 100 % at full',
    'left-lock': 'reaches its left lock',
    'right-lock': 'reaches its right lock',
    centre: 'comes back to centre',
  };
  return `${AXIS_WORDS[axis].replace(/^./, (c) => c.toUpperCase())} ${what[kind]}`;
};

/** What an axis shows, as a figure for the screen. */
export function proofFigure({ kind }: ProofItem, value: number): string {
  const percent = percentTenths(Math.abs(value));
  if (kind === 'rest' || kind === 'full') return percent;
  return value === 0 ? 'centre' : `${percent} ${value > 0 ? 'left' : 'right'}`;
}

/** Why a full press is asked for again. */
export function shortWords(short: number | null, axis: AxisName, by: WorkedBy = 'feet'): string {
  const stroke = strokeOf(axis, by);
  return short === null
    ? ''
    : `That ${stroke} showed ${percentTenths(short)}. One in twenty may: ${stroke} again, twice or more.`;
}
