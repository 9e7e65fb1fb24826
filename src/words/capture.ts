import { AXES, strokesOf, workedBy, type AxisName, type WorkedBy } from '@/core/axes/axes';
import { programmeFor, type StepKind } from '@/core/axes/programme';
import { capital } from './format';

/** What a capture of an axis consists of, said before it begins. */
interface CaptureWords {
  /** Its parts in one sentence, and how long they take. */
  length: string;
  /** What each part will tell. */
  tells: string[];
}

const STEERING: CaptureWords = {
  length: 'Rest, lock to lock three times, marked angles both ways: about a minute.',
  tells: [
    'Hands off: noise, centre and drift.',
    'Lock to lock three times: both ends, resolution, wear.',
    'A quarter turn held each way: the scale, and which way is left.',
    'A full turn held each way: the rotation, four times as sure as from quarter turns.',
    'Let go after each: where it comes back to, from both sides.',
  ],
};
const SHIFTER: CaptureWords = {
  length: 'Neutral, then every gate in turn: a quarter of a minute.',
  tells: [
    'Neutral: what it reads between the gates.',
    'Every gate twice: its own reading, missed and double reads.',
  ],
};

/** What the capture of an axis asks for, and what it tells. */
export function captureWords(axis: AxisName, by: WorkedBy): CaptureWords {
  const { kind, hasSlack } = AXES[axis];
  if (kind === 'wheel') return STEERING;
  if (kind === 'shifter') return SHIFTER;
  const { limb } = workedBy(axis, by);
  const strokes = strokesOf(axis, by);
  const words: Partial<Record<StepKind, [part: string, tells: string]>> = {
    rest: ['rest', `${limb} off: noise, centre and drift.`],
    cover: [`${limb.toLowerCase()} resting`, `${limb} resting: what drags on the straights.`],
    takeup: ['the slack three times', 'The slack taken up three times: where it begins.'],
    sweep: ['three sweeps', 'Three full sweeps: both ends, resolution, wear.'],
    press: [`six ${strokes}`, `Six comfortable ${strokes}: where 100 % belongs.`],
  };
  const parts = programmeFor(axis).flatMap(({ kind: part }) => (words[part] ? [words[part]] : []));
  const said = parts.map(([part]) => part).join(', ');
  return {
    length: `${capital(said)}: ${hasSlack ? 'under a minute' : 'about half a minute'}.`,
    tells: parts.map(([, tells]) => tells),
  };
}
