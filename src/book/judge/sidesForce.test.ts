import type { SideForce } from '../model/sidesForce';
import { forceRows, forceSentence, forceSource } from './sidesForce';

const side = (more: Partial<SideForce> = {}): SideForce => ({
  ...{ clipShare: 0.04, sustainedShare: 0.001, cornerNm: 6, detail: 0.8, roughness: 1.1 },
  ...{ roll: 'settles', fast: 'settles', halfTurnS: 0.21 },
  ...more,
});
const force = (b: Partial<SideForce>, a: Partial<SideForce> = {}) => ({
  ...{ a: side(a), b: side(b) },
  ...{ isSameLaps: true, rides: 8, rateHz: 100 },
});

it('says what differs, the most telling first, as it is read in the table', () => {
  expect(forceSentence(force({ cornerNm: 5.1, fast: 'saws', clipShare: 0.02, detail: 0.7 }))).toBe(
    'Computed, not tested: with B the rim, let go at speed, saws by itself (A: comes home), corners weigh 5.1 N·m (A: 6.0 N·m) and the force clips 2.0 % of the time (A: 4.0 % of the time).',
  );
});

it('what rounds to the same is the same, and what was not logged is not said', () => {
  expect(forceSentence(force({ cornerNm: 6.01 }))).toContain('the same in every figure');
  expect(forceSentence(force({ cornerNm: null }, { cornerNm: 5 }))).toContain('the same in every figure');
  const none = { clipShare: null, sustainedShare: null, cornerNm: null, detail: null, roughness: null };
  expect(forceRows(force(none, none)).map(({ label }) => label)).toEqual([
    'Let go at a slow roll',
    'Let go at speed',
    'Half a turn, let go',
  ]);
  expect(forceRows(force({ halfTurnS: null })).at(-1)).toMatchObject({ a: '0.21 s', b: 'over 1 s' });
  expect(forceRows(force({ detail: null })).find(({ label }) => label.startsWith('Detail'))!.b).toBe('–');
});

it('of what no log tells with other settings only the settings themselves are compared', () => {
  const own = { ...force({ cornerNm: 5, clipShare: 0.2, halfTurnS: 0.3 }), isSameLaps: false };
  expect(forceSentence(own)).toMatch(
    /with B a let-go rim turns half a turn in 0\.30 s .* each side’s own laps/,
  );
  expect(forceSentence({ ...force({ cornerNm: 5 }), isSameLaps: false })).toMatch(
    /^What was changed acts before/,
  );
  expect(forceRows(own).find(({ label }) => label === 'Weight in corners')).toMatchObject({ b: '5.0 N·m' });
});

it('says what it is computed from', () => {
  expect(forceSource(force({}))).toContain('8 rides logged (100 rows a second), the same laps through both');
  expect(forceSource({ ...force({}), isSameLaps: false })).toBeNull();
  expect(forceSource({ ...force({}), rides: 0, rateHz: null })).toContain('No ride logged its force');
});
