import type { Expected, Judged } from '@/core/drills/history';
import { LEAST_BEFORE, WITHIN } from '@/core/drills/history';
import type { DrillName } from '@/core/drills/measureDrill';
import type { FootShown } from '@/core/drills/footPart';
import { FOOT_DRILLS, MERITS } from '@/core/drills/merit';
import type { Measures } from '@/core/drills/drill';
import type { NextPractice } from '@/core/drills/practice';
import { DRILL_WORDS, figureText } from './drills';
import { capital } from './format';

/** What is to be done in each, and what it is for. */
export const DRILL_HOW: Record<DrillName, { how: string; about: string }> = {
  circle: {
    how: 'Round and round, at one radius, by the throttle alone. Hold the wheel still.',
    about: 'How evenly the foot meters the throttle where it works.',
  },
  'brake-peak': {
    how: 'Every few seconds press the brake to the same peak, six times or more. Keep rolling in between.',
    about: 'How well the foot finds the same pressure again.',
  },
  threshold: {
    how: 'One stop from speed, as short as you can, without locking the fronts.',
    about: 'How close to the limit of the tyres the foot stays.',
  },
  trail: {
    how: 'Brake for the hairpin, and let the brake go while the car turns in.',
    about: 'How brake and steering pass into each other.',
  },
  launch: {
    how: 'From standstill as quickly as it goes, over 60 metres.',
    about: 'Clutch, throttle and what the wheels hold.',
  },
  initiate: {
    how: 'Break the rear loose and let it come back, to the same angle each time: by throttle, by a lift and a flick, by a kick of the clutch, or by the handbrake.',
    about: 'How surely a slide begins as it was meant to.',
  },
  catch: {
    how: 'Let the rear go, let the rim run through the hands, and catch it.',
    about: 'How soon and how exactly the hands answer a slide.',
  },
  eight: {
    how: 'Slide round to the left, swing over, slide round to the right.',
    about: 'How a slide is led from one side to the other.',
  },
  'hold-angle': {
    how: 'Slide round the circle and hold one angle for as long as it goes: more throttle widens it, less closes it.',
    about: 'How well hand and foot balance each other.',
  },
  weave: {
    how: 'Keep the speed, and weave evenly to and fro along the lane.',
    about: 'How calm the hands are about the middle.',
  },
  'slow-roll': {
    how: 'Roll at walking pace, under 3 m/s, as evenly as you can.',
    about: 'How fine the first of the throttle’s travel is.',
  },
};

const leadingOf = (name: DrillName) => MERITS[name].leading;

/** A value of the drill's leading measure, with what it is. */
export const leadingText = (name: DrillName, value: number): string =>
  figureText(DRILL_WORDS[name].measures[leadingOf(name)]!, value);

const JUDGED: Record<Judged, string> = {
  better: 'better than',
  worse: 'worse than',
  'as usual': 'as',
};

/** The one sentence after an attempt: what it came to, and against what one's own attempts lead one to expect. */
export function attemptSentence(
  name: DrillName,
  { measures, expected, judged }: { measures: Measures; expected: Expected | null; judged: Judged | null },
): string {
  const value = measures[leadingOf(name)];
  const { label } = DRILL_WORDS[name];
  if (value === null || value === undefined) return `${label}: this attempt does not tell it`;
  const said = `${capital(DRILL_WORDS[name].measures[leadingOf(name)]!.label)} ${leadingText(name, value)}`;
  if (!expected || !judged)
    return `${said}. After ${LEAST_BEFORE} attempts it is said how that compares with your own`;
  const range = `${leadingText(name, expected.low)} to ${leadingText(name, expected.high)}`;
  return `${said}, ${JUDGED[judged]} your last ${expected.n} lead one to expect (${Math.round(10 * WITHIN)} in 10 lie within ${range})`;
}

/** What the settings make of the foot where it works, as the newest attempt tells it. */
export function footSentence(
  name: DrillName,
  { axis, travel, slope, straight, value, settingShare }: FootShown,
): string {
  const { measure } = FOOT_DRILLS[name]!;
  const word = DRILL_WORDS[name].measures[measure]!;
  const where = `Your foot works at ${Math.round(100 * travel)} % of the ${axis}’s travel, and the title hears ${slope.toFixed(1)} times what it moves there`;
  if (slope < FLAT)
    return `${where}. Of your foot’s own ${figureText(word, straight)} the settings leave ${figureText(word, value)} as ${word.label}`;
  if (settingShare < LEAST_SHARE)
    return `${where}: ${word.label} ${figureText(word, value)} is your foot’s own`;
  return `${where}. Of ${word.label} ${figureText(word, value)} your foot’s own is ${figureText(word, straight)}; the settings add ${Math.round(100 * settingShare)} % of the variance`;
}

/** A curve that is flatter than this takes some of the foot away. */
const FLAT = 0.9;
/** Less than this nobody could tell. */
const LEAST_SHARE = 0.1;

/** What to practise next, and why. */
export function practiceSentence({ name, why, spread }: NextPractice): string {
  const { label } = DRILL_WORDS[name];
  return why === 'unknown'
    ? `${label}: the easiest that is not known yet, it takes ${LEAST_BEFORE} attempts`
    : `${label}: of those that rested long enough it varies most, by ${Math.round(100 * spread!)} % of its mean`;
}
