import { expectedNext } from '@/core/drills/history';
import { DRILL_NAMES } from '@/core/drills/measureDrill';
import { MERITS } from '@/core/drills/merit';
import { attemptSentence, DRILL_HOW, practiceSentence } from './drillPractice';
import { DRILL_WORDS } from './drills';

it('every drill says what to do, and has words for what it is judged by', () => {
  for (const name of DRILL_NAMES) {
    expect(DRILL_HOW[name].how).toMatch(/\.$/);
    for (const measure of Object.keys(MERITS[name].of))
      expect(DRILL_WORDS[name].measures[measure]).toBeDefined();
  }
});

it('an attempt is said against one’s own, and before there are five of them it is not judged', () => {
  const measures = { radiusSdM: 0.2 };
  expect(attemptSentence('circle', { measures, expected: null, judged: null })).toBe(
    'Spread of the radius 0.20 m. After 5 attempts it is said how that compares with your own',
  );
  const expected = expectedNext([0.4, 0.42, 0.38, 0.41, 0.39])!;
  expect(attemptSentence('circle', { measures, expected, judged: 'better' })).toBe(
    'Spread of the radius 0.20 m, better than your last 5 lead one to expect (9 in 10 lie within 0.36 m to 0.44 m)',
  );
  expect(attemptSentence('circle', { measures, expected, judged: 'as usual' })).toContain(
    '0.20 m, as your last 5 lead',
  );
  expect(attemptSentence('circle', { measures: { radiusSdM: null }, expected: null, judged: null })).toBe(
    'Throttle circle: this attempt does not tell it',
  );
});

it('what comes next is said with its reason', () => {
  expect(practiceSentence({ name: 'weave', why: 'unknown', spread: null })).toBe(
    'Weave: the easiest that is not known yet, it takes 5 attempts',
  );
  expect(practiceSentence({ name: 'catch', why: 'widest', spread: 0.337 })).toMatch(/varies most, by 34 %/);
});
