import { type Expected, type Judged, LEAST_BEFORE, WITHIN } from '@/core/drills/history';
import { drillOf, type DrillName } from '@/core/drills/measureDrill';
import type { FootShown } from '@/core/drills/footPart';
import type { Measures } from '@/core/drills/drill';
import type { NextPractice } from '@/core/drills/practice';
import { DRILL_WORDS, figureText } from './drills';
import { capital } from './format';

const leadingOf = (name: DrillName) => drillOf(name).leading;

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
  const { measure } = drillOf(name).foot!;
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
