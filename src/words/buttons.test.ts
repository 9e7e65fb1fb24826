import { RIMS } from '@/catalog/rims';
import { EMPTY_MAP } from '@/core/buttons/buttonMap';
import { plainRig } from '@/core/rig/rigSpec';
import { buttonLines, conflictSaid, reachSaid } from './buttons';

const rim = { ...plainRig({ kind: 'real', axes: {} }).rim, buttons: RIMS.tern };

it('the card says what lies where, what has to be held, and what else the rim shows', () => {
  const map = {
    ...EMPTY_MAP,
    on: { 'look-back': 2, pause: 9, boost: null } as const,
    held: ['pause' as const],
  };
  const fields = [{ label: 'Rev lights from', value: '85 %' }];
  expect(buttonLines(map, { ...rim, fields })).toEqual([
    'Look back: left thumb (button 3)',
    'Pause: bottom right (button 10), held',
    'Rev lights from: 85 %',
  ]);
  expect(buttonLines(EMPTY_MAP, rim)).toEqual([]);
});

it('a reach says whether anybody measured it', () => {
  const [paddle] = RIMS.tern;
  expect(reachSaid(paddle!)).toMatch(/usual$/);
  expect(reachSaid({ ...paddle!, seconds: 0.412 })).toBe('0.41 s');
});

it.each([
  [
    { kind: 'danger-beside', action: 'pause', button: 3, beside: 'flash' },
    /^Pause lies on left top, beside flash the lights/,
  ],
  [
    { kind: 'two-on-one', action: 'flash', button: 3, with: 'horn' },
    /^Flash the lights and horn both lie on left top/,
  ],
  [{ kind: 'not-passed', action: 'flash', button: 3 }, /does not arrive on the console/],
  [{ kind: 'gone', action: 'flash', button: 40 }, /lies on button 41, which this rim has not/],
  [
    { kind: 'out-of-reach', action: 'boost', button: 3, seconds: 1.24 },
    /takes 1\.2 s: the hand has to leave its grip/,
  ],
] as const)('%o is said', (conflict, words) => {
  expect(conflictSaid(conflict, RIMS.tern)).toMatch(words);
});
