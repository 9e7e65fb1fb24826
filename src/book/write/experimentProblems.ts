import type { Step } from '@/core/experiment/questions/question';
import { MOST_PAIRS } from '@/core/experiment/planRides';
import type { Problem } from '@/core/problem';

const say = (code: string, message: string, remedy: string): Problem => ({
  code,
  message,
  place: {},
  remedy,
});

export const ONE_AT_A_TIME = say(
  'question-open',
  'Another question is under way here.',
  'Answer it first, or end it.',
);
export const NO_SUCH_QUESTION = say(
  'no-such-question',
  'There is no such question here.',
  'Reload the page.',
);
export const IS_OVER = say(
  'question-over',
  'This question is over.',
  'Reload the page: another window ended it.',
);
export const NOT_OVER = say(
  'question-open',
  'This question is not answered yet.',
  'Ride on, or end it first.',
);
export const NO_SUCH_RIDE = say('no-ride', 'There is no such ride here.', 'Ride again.');
export const NOT_RIDDEN = say('not-ridden', 'That ride was not driven.', 'Rate one that was.');
export const NOT_LOADED = say(
  'not-loaded',
  'The helper has not said yet that it is loaded.',
  'Wait for them, then drive.',
);
export const NOTHING_TO_LOAD = say('nothing-to-load', 'Nothing is to be loaded now.', 'Wait for the driver.');
export const NEUTRAL_FIRST = say(
  'neutral-first',
  'The neutral values come first, every time.',
  'Load them, say so, then load the ride’s.',
);
export const NO_FILES = say(
  'no-files',
  'A file of A and one of B are needed.',
  'Save both in the title, choose them, then start.',
);
export const NO_LOGS = say(
  'no-logs',
  'No log lies in the time of these rides.',
  'Take the evening’s logs in under Ride first; their notes say when they were driven.',
);
export const NO_RIDING_ON = say(
  'no-riding-on',
  'Only laps that were compared can be ridden on.',
  'Ask the question again.',
);
export const ENOUGH_PAIRS = say(
  'enough-pairs',
  `More than ${MOST_PAIRS} pairs nobody drives of one question.`,
  'What was not shown by now is smaller than you would notice.',
);

export function outOfTurn(step: Step): Problem {
  const next =
    step.kind === 'ride'
      ? `Ride ${step.place + 1} comes next.`
      : step.kind === 'answer'
        ? `The answer to ${step.ask === 'feel' ? 'ride' : 'pair'} ${step.place + 1} comes next.`
        : 'It is over.';
  return say(
    'out-of-turn',
    'That is not what comes next: another window went on.',
    `${next} Nothing was counted twice.`,
  );
}

export const otherSettings = (keys: readonly string[]): Problem =>
  say(
    'changed-meanwhile',
    `${keys.length === 1 ? 'Another setting was' : `${keys.length} other settings were`} changed since this question was asked.`,
    'The ride was not counted. Put that back on the trail and ride again, or end this question.',
  );

export const OTHER_RIDE = say(
  'other-ride',
  'This ride was not driven with what was to be loaded, or it is counted already.',
  'Ride again as the step says.',
);

export const NAME_ONE = say(
  'name-one',
  'One of the two has to be named.',
  'Guess where you can’t say: guesses show where you stop noticing. Or say that you noticed otherwise.',
);

export const NOTHING_TO_KEEP = say(
  'nothing-to-keep',
  'This question was asked to learn something; nothing was changed by it.',
  'Set what you want under Shape or Force.',
);

export const NOTHING_TO_LOOK_AT = say(
  'nothing-to-look-at',
  'Only laps that are compared can be looked at before the end.',
  'Answer on: it ends by itself.',
);
