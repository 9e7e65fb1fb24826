import { expectedNext } from '@/core/drills/history';
import { DRILL_NAMES, drillOf } from '@/core/drills/measureDrill';
import { attemptSentence, footSentence, practiceSentence } from './drillPractice';
import { DRILL_WORDS } from './drills';

it('every drill says what to do, and has words for what it is judged by', () => {
  for (const name of DRILL_NAMES) {
    expect(DRILL_WORDS[name].how).toMatch(/\.$/);
    for (const measure of Object.keys(drillOf(name).better))
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

it('what the settings add to the foot is said in the measure’s own scale', () => {
  const foot = { axis: 'throttle' as const, work: 0.3, value: 1.5, travel: 0.45, slope: 2.5, straight: 0.6 };
  expect(footSentence('circle', { ...foot, settingShare: 0.84 })).toBe(
    'Your foot works at 45 % of the throttle’s travel, and the title hears 2.5 times what it moves there. Of rate of the foot 1.50 1/s your foot’s own is 0.60 1/s; the settings add 84 % of the variance',
  );
  expect(footSentence('circle', { ...foot, slope: 1, straight: 1.5, settingShare: 0 })).toMatch(
    /rate of the foot 1\.50 1\/s is your foot’s own$/,
  );
  expect(footSentence('circle', { ...foot, slope: 0.5, straight: 3, settingShare: 0 })).toMatch(
    /Of your foot’s own 3\.00 1\/s the settings leave 1\.50 1\/s as rate of the foot$/,
  );
});
