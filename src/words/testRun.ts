import type { RideClipping } from '@/core/rides/rideFigures';
import {
  CLIPS,
  ELSE,
  LEFT_OUT,
  RIGHT,
  WHOLE,
  type Feeling,
  type LeadsTo,
  type TestOutcome,
  type TestWay,
} from '@/core/feel/testRun';
import { TEST_DRIVEN_S } from '@/core/driving/testCourse';
import { percent, percentAbout } from '@/core/text/percent';

const PLACES: Record<LeadsTo, { path: string; name: string }> = {
  steering: { path: '/shape/steering', name: 'Shape the steering' },
  throttle: { path: '/shape/throttle', name: 'Shape the throttle' },
  lock: { path: '/lock', name: 'Match the rotation' },
  launch: { path: '/launch', name: 'Find the bite point' },
};

/** Where a feeling is looked into. */
export function leadOf({ leads }: Feeling): { path: string; name: string } {
  return 'to' in leads
    ? PLACES[leads.to]
    : { path: `/force?part=feels&like=${leads.complaint}`, name: 'Find its cause' };
}

/** What was said after a part, for a table. */
export function saidWords(said: string | null, feeling: Feeling | null): string {
  if (feeling) return feeling.words;
  const words: Record<string, string> = {
    [RIGHT]: 'Right',
    [ELSE]: 'Not right, and none of what was named',
    [LEFT_OUT]: 'Left out',
    [CLIPS]: 'The force was at its end',
    [WHOLE]: 'The force was whole',
  };
  return said === null ? '' : (words[said] ?? '');
}

/** The finding of a test run. */
export function outcomeSentence({ toDo, isWhole, parts, clipped }: TestOutcome): string {
  const driven = parts.filter(({ answer }) => answer !== null && answer.said !== LEFT_OUT).length;
  const [first] = toDo;
  if (first) {
    const more = toDo.length - 1;
    return `First: ${lower(first.feeling.words)}${more === 0 ? '' : `, and ${more} more after it`}`;
  }
  if (clipped.length > 0)
    return `Nothing felt wrong${isWhole ? '' : ' so far'}, but the force was at its end: ${clipped.map(({ label }) => lower(label)).join(', ')}`;
  if (!isWhole) return `${driven} of ${parts.length} parts driven so far`;
  return parts.some(({ answer }) => answer?.said === ELSE)
    ? 'Nothing of what was named; something else is not right'
    : 'All that was asked is right';
}

const lower = (words: string) =>
  words.startsWith('I ') ? words : words.replace(/^./, (c) => c.toLowerCase());

/** What was measured of the force in a part that cannot be felt without it. */
export function forceSentence(clipping: RideClipping | null): string {
  if (!clipping) return 'The force of this title is not described: nothing can be measured of it here.';
  const { clipShare, headroomDb } = clipping;
  if (clipShare > 0) return `Simulated: the force was at its end for ${percentAbout(clipShare)} of it.`;
  if (headroomDb === null) return 'Simulated: there was no force at all.';
  return `Simulated: nothing was at its end; the strongest was ${percent(10 ** (-headroomDb / 20))} of the scale.`;
}

/** How long it takes, and what of it can be felt. */
export const WAY_WORDS: Record<TestWay, { name: string; how: string }> = {
  title: {
    name: 'In the title',
    how: 'You drive there; the seat asks one thing after each part. The force is felt, as it is.',
  },
  here: {
    name: 'Here',
    how: `${TEST_DRIVEN_S} seconds of driving on our own road. Wheel and pedals are felt; a browser gives a wheel no force, so what the force does is simulated and said.`,
  },
};
