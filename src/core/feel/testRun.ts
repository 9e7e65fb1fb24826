import type { Complaint } from './complaints';

/** Where a test run is driven: in the title, whose force is felt, or on our own roads, from where the wheel gets none. */
export const TEST_WAYS = ['title', 'here'] as const;
export type TestWay = (typeof TEST_WAYS)[number];

/** What is not right, in the driver's words, and where it leads: to a complaint of the finder, or to what is set there. */
export interface Feeling {
  id: string;
  words: string;
  leads: { complaint: Complaint['id'] } | { to: LeadsTo };
}
export type LeadsTo = 'steering' | 'throttle' | 'lock' | 'launch';

/** Asked after a part: yes is right, and who says no is asked for the feeling, one after the other. */
export interface TestQuestion {
  ask: string;
  feelings: readonly Feeling[];
}

export const PART_NAMES = ['straight', 'hairpin', 'sweep', 'kerb', 'grass', 'roll', 'launch'] as const;
export type PartName = (typeof PART_NAMES)[number];

/** A part of the test run: how it is driven, and what is asked after it. */
export interface TestPart {
  name: PartName;
  label: string;
  how: string;
  /** What it tells, for whoever reads before driving. */
  tells: string;
  title: TestQuestion;
  /** What of it is felt without force in the rim; `null` where nothing is, and the force is measured instead. */
  here: TestQuestion | null;
}

const to = (id: string, words: string, where: LeadsTo): Feeling => ({ id, words, leads: { to: where } });
const like = (complaint: Complaint['id'], words: string, id = complaint): Feeling => ({
  id,
  words,
  leads: { complaint },
});

const NERVOUS = to('nervous', 'Nervous around the centre', 'steering');
const DULL = to('dull', 'Nothing happens around the centre', 'steering');
const OUT_OF_LOCK = to('out-of-lock', 'I ran out of wheel', 'lock');
const TOO_QUICK = to('too-quick', 'A little of the wheel turns it too far', 'lock');

/** The parts in the order in which a car is tried by those who do it often: what everything else stands on comes first. */
export const TEST_PARTS: readonly TestPart[] = [
  {
    name: 'straight',
    label: 'A straight',
    how: 'At speed, with small corrections to both sides.',
    tells: 'road effect, twitch, play around the centre',
    title: {
      ask: 'Is the wheel calm there, and awake?',
      feelings: [like('numb', 'Numb around the centre'), NERVOUS, like('gravel', 'Gravel on a clean road')],
    },
    here: { ask: 'Does it go where you point it, without nerves?', feelings: [NERVOUS, DULL] },
  },
  {
    name: 'hairpin',
    label: 'The tightest turn',
    how: 'Around it without moving your hands on the rim.',
    tells: 'rotation: whether there is wheel enough',
    title: {
      ask: 'Was there wheel enough, and not too little of it?',
      feelings: [OUT_OF_LOCK, TOO_QUICK, like('stays', 'It doesn’t come back after the turn')],
    },
    here: { ask: 'Was there wheel enough, and not too little of it?', feelings: [OUT_OF_LOCK, TOO_QUICK] },
  },
  {
    name: 'sweep',
    label: 'A fast bend',
    how: 'At your usual pace, with steady hands.',
    tells: 'weight, clipping, the warning before it slides',
    title: {
      ask: 'Does the weight grow to the end, and tell you before it slides?',
      feelings: [
        like('slides', 'No warning before it slides'),
        like('robotic', 'It goes flat, like gears'),
        like('strong', 'Too strong'),
        like('weak', 'Too weak'),
      ],
    },
    here: null,
  },
  {
    name: 'kerb',
    label: 'A kerb',
    how: 'Put the inner wheels on it.',
    tells: 'kerb effect: the end of the road, and no more',
    title: {
      ask: 'Do kerbs tell you where the road ends, without hurting?',
      feelings: [like('kerbs', 'Kerbs break my wrist'), like('weak', 'I hardly feel them', 'faint')],
    },
    here: null,
  },
  {
    name: 'grass',
    label: 'Beside the road',
    how: 'Slowly, two wheels off it, and back.',
    tells: 'off-track effect: noticed, and no more than that',
    title: {
      ask: 'Is it noticed, and no louder than it has to be?',
      feelings: [like('chatters', 'It chatters loudly'), like('weak', 'I don’t notice it', 'unnoticed')],
    },
    here: null,
  },
  {
    name: 'roll',
    label: 'Walking pace',
    how: 'In second gear. For the rim take your hands off, thumbs outside it.',
    tells: 'minimum force and swing, hands off; the first of the throttle',
    title: {
      ask: 'Does the rim lie still, hands off?',
      feelings: [like('saws', 'It saws by itself, hands off'), like('chatters', 'It chatters loudly')],
    },
    here: {
      ask: 'Can your foot hold that pace?',
      feelings: [
        to('sudden', 'The throttle comes at once', 'throttle'),
        to('late', 'At first nothing comes', 'throttle'),
      ],
    },
  },
  {
    name: 'launch',
    label: 'Getting away',
    how: 'From standstill, as quickly as it goes without spinning.',
    tells: 'bite of the clutch, first throttle',
    title: {
      ask: 'Did it get away as your foot meant it to?',
      feelings: [
        to('bites', 'The clutch bites where I don’t expect it', 'launch'),
        to('spins', 'The wheels spin before I want them to', 'throttle'),
      ],
    },
    here: {
      ask: 'Did it get away as your foot meant it to?',
      feelings: [to('spins', 'The wheels spin before I want them to', 'throttle')],
    },
  },
];

/** What came of a part: right, a feeling by its name, something else, left out; or, only measured, clipped or not. */
export interface PartAnswer {
  part: PartName;
  said: string;
}
export const RIGHT = 'right';
export const ELSE = 'else';
export const LEFT_OUT = 'left-out';
export const CLIPS = 'clips';
export const WHOLE = 'whole';
const COMMON: readonly string[] = [RIGHT, ELSE, LEFT_OUT];
const MEASURED: readonly string[] = [CLIPS, WHOLE, LEFT_OUT];

export const questionOf = (part: TestPart, way: TestWay): TestQuestion | null =>
  way === 'title' ? part.title : part.here;

/** What was said, as an address holds it: "straight.nervous,hairpin.right". */
export const saidText = (answers: readonly PartAnswer[]): string =>
  answers.map(({ part, said }) => `${part}.${said}`).join(',');

/**
 * Reads {@link saidText}: parts in their order, each with an answer that it has; whatever follows something else is as if it
 * had not been driven yet.
 */
export function saidOf(text: string | undefined, way: TestWay): PartAnswer[] {
  const answers: PartAnswer[] = [];
  for (const piece of (text ?? '').split(',')) {
    const part = TEST_PARTS[answers.length];
    const [name, said] = piece.split('.');
    if (!part || part.name !== name || said === undefined || !mayBeSaid(part, way, said)) break;
    answers.push({ part: part.name, said });
  }
  return answers;
}

function mayBeSaid(part: TestPart, way: TestWay, said: string): boolean {
  const question = questionOf(part, way);
  if (!question) return MEASURED.includes(said);
  return COMMON.includes(said) || question.feelings.some(({ id }) => id === said);
}

/** Which question is asked: 0 the part's own, then its feelings one by one. What a yes or a no makes of it. */
export function heard(
  { feelings }: TestQuestion,
  asked: number,
  isYes: boolean,
): { said: string } | { asks: number } {
  if (isYes) return { said: asked === 0 ? RIGHT : feelings[asked - 1]!.id };
  return asked < feelings.length ? { asks: asked + 1 } : { said: ELSE };
}

/** The words of that question. */
export const askedText = ({ ask, feelings }: TestQuestion, asked: number): string =>
  asked === 0 ? ask : `${feelings[asked - 1]!.words}?`;

/** The part that comes next; `null` after the last. */
export const nextPart = (answers: readonly PartAnswer[]): TestPart | null =>
  TEST_PARTS[answers.length] ?? null;

/** What a test run came to. */
export interface TestOutcome {
  parts: { part: TestPart; answer: PartAnswer | null; feeling: Feeling | null }[];
  isWhole: boolean;
  /** What to look into, the first part's first: what the others stand on. A place or a complaint is named once. */
  toDo: { part: TestPart; feeling: Feeling }[];
  /** Parts in which the signal was at its end. */
  clipped: TestPart[];
}

export function testOutcome(answers: readonly PartAnswer[], way: TestWay): TestOutcome {
  const parts = TEST_PARTS.map((part, i) => {
    const answer = answers[i] ?? null;
    const feeling = questionOf(part, way)?.feelings.find(({ id }) => id === answer?.said) ?? null;
    return { part, answer, feeling };
  });
  const seen = new Set<string>();
  return {
    parts,
    isWhole: answers.length === TEST_PARTS.length,
    toDo: parts.flatMap(({ part, feeling }) => {
      if (!feeling || seen.has(JSON.stringify(feeling.leads))) return [];
      seen.add(JSON.stringify(feeling.leads));
      return [{ part, feeling }];
    }),
    clipped: parts.filter(({ answer }) => answer?.said === CLIPS).map(({ part }) => part),
  };
}
