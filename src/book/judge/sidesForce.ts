import { percent } from '@/core/text/percent';
import { RIM } from '@/words/rim';
import { SENTENCES } from '@/words/verdictSentences';
import type { SideForce, SidesForce } from '../model/sidesForce';

/** A figure of the force as a table shows it. */
export interface ForceRow {
  label: string;
  /** As a sentence says it: "corners weigh". */
  says: string;
  isOfLaps: boolean;
  a: string;
  b: string;
}

interface Figure {
  label: string;
  /** Told of laps, and not of the settings alone. */
  isOfLaps?: true;
  says: string;
  text(side: SideForce): string | null;
}

const told = (value: number | null, text: (value: number) => string) => (value === null ? null : text(value));

/** What is told of the force, most telling first: a figure is an entry here. */
const FIGURES: readonly Figure[] = [
  { label: 'Let go at a slow roll', says: 'the rim, let go at a slow roll,', text: ({ roll }) => RIM[roll] },
  { label: 'Let go at speed', says: 'the rim, let go at speed,', text: ({ fast }) => RIM[fast] },
  {
    label: 'Weight in corners',
    isOfLaps: true,
    says: 'corners weigh',
    text: ({ cornerNm }) => told(cornerNm, (v) => `${v.toFixed(1)} N·m`),
  },
  {
    label: 'Clipped',
    isOfLaps: true,
    says: 'the force clips',
    text: ({ clipShare }) => told(clipShare, (v) => `${percent(v, 1)} of the time`),
  },
  {
    label: 'Held at the limit',
    isOfLaps: true,
    says: 'it is held at the limit',
    text: ({ sustainedShare }) => told(sustainedShare, (v) => `${percent(v, 1)} of the time`),
  },
  {
    label: 'Detail kept, 8 to 60 Hz',
    isOfLaps: true,
    says: 'detail is kept to',
    text: ({ detail }) => told(detail, (v) => percent(v)),
  },
  {
    label: 'Roughness',
    isOfLaps: true,
    says: 'the force is rougher than meant by a factor of',
    text: ({ roughness }) => told(roughness, (v) => v.toFixed(2)),
  },
  {
    label: 'Half a turn, let go',
    says: 'a let-go rim turns half a turn in',
    text: ({ halfTurnS }) => (halfTurnS === null ? 'over 1 s' : `${halfTurnS.toFixed(2)} s`),
  },
];

/** The figures that can be told of at least one side. */
export function forceRows({ a, b }: Pick<SidesForce, 'a' | 'b'>): ForceRow[] {
  return FIGURES.flatMap(({ label, says, isOfLaps = false, text }) => {
    const [ofA, ofB] = [text(a), text(b)];
    return ofA === null && ofB === null ? [] : [{ label, says, isOfLaps, a: ofA ?? '–', b: ofB ?? '–' }];
  });
}

const MOST_SAID = 3;

/** What the settings make of the force, B against A: computed, and said to be. Laps of unlike rides differ without any change. */
export function forceSentence(force: SidesForce): string {
  const differing = forceRows(force).filter(
    ({ a, b, isOfLaps }) => a !== b && a !== '–' && b !== '–' && (force.isSameLaps || !isOfLaps),
  );
  const said =
    differing.length === 0
      ? SENTENCES.forceSame()
      : SENTENCES.forceComputed(
          differing.slice(0, MOST_SAID).map(({ says, a, b }) => `${says} ${b} (A: ${a})`),
        );
  if (force.isSameLaps) return said;
  return differing.length === 0 ? SENTENCES.forceOwnLaps() : `${said} ${SENTENCES.forceOwnLaps()}`;
}

/** What it is computed from. */
export function forceSource({ rides, rateHz, isSameLaps }: SidesForce): string | null {
  if (rateHz === null) return SENTENCES.forceUnlogged();
  return isSameLaps ? SENTENCES.forceOf(rides, rateHz) : null;
}
