import { createHash } from 'node:crypto';
import { justNoticeable } from '@/core/experiment/justNoticeable';
import { filesForTests, pebble } from './testing/pebble';

const { file } = filesForTests();
const RANGE = 60;
const PAIRS = Array.from({ length: 24 }, (_, i) => ({
  order: i % 3 === 0 ? 'BA' : 'AB',
  apart: [12, 8, 6, 4][i % 4]!,
  answer: i % 5 === 4 ? 'first' : i % 3 === 0 ? 'first' : 'second',
}));
const ORDERS = PAIRS.map(({ order }) => order);
const COMMITMENT = createHash('sha256')
  .update(`${ORDERS.join(',')}:m3`)
  .digest('hex');
const document = (more: object = {}) =>
  file(
    'brake.notice.json',
    JSON.stringify({
      ...{ format: 'pebble-road/notice', version: 1, min: 0, max: RANGE, step: 1, at: 4, pairs: PAIRS },
      ...more,
    }),
  );

it('says what is just noticed in the menu’s scale, as the estimate of shares does, and where the next pair lies', () => {
  const told = pebble('notice', document(), '--json').json();
  const isRight = ({ order, answer }: (typeof PAIRS)[number]) => (answer === 'first') === (order === 'BA');
  const shares = PAIRS.map((pair) => ({ apart: pair.apart / RANGE, isRight: isRight(pair) }));
  const { jnd, low, high } = justNoticeable(shares, []);
  expect(told).toMatchObject({ pairs: 24, right: PAIRS.filter(isRight).length, commitmentHolds: null });
  expect(told['jnd']).toBeCloseTo(RANGE * jnd, 9);
  expect([told['low'], told['high']]).toEqual([RANGE * low, RANGE * high]);
  expect(Number.isInteger(told['next'])).toBe(true);
  expect(pebble('notice', document()).out).toMatch(/just noticed.*90 %/);
});

it('where the value lies past the middle B goes down, and the ride of A has more', () => {
  const up = pebble('notice', document({ pairs: [PAIRS[1]] }), '--json').json();
  const down = pebble('notice', document({ pairs: [PAIRS[1]], at: 50 }), '--json').json();
  expect([up['right'], down['right']]).toEqual([1, 0]);
});

it('what was noticed otherwise does not count, and the orders are checked', () => {
  const none = { ...PAIRS[0], answer: 'none' };
  expect(pebble('notice', document({ pairs: [none] }), '--json').json()).toMatchObject({
    pairs: 0,
    right: 0,
  });
  const holds = (more: object) =>
    pebble('notice', document({ salt: 'm3', commitment: COMMITMENT, ...more }), '--json').json()[
      'commitmentHolds'
    ];
  expect(holds({})).toBe(true);
  expect(holds({ salt: 'm4' })).toBe(false);
  expect(holds({ drawn: [...ORDERS.slice(1), 'AB'] })).toBe(false);
});

it.each([
  ['a value outside its menu', { at: 61 }],
  ['a menu upside down', { min: 60, max: 0 }],
  ['a step larger than the menu', { step: 61 }],
  ['rides that are not apart', { pairs: [{ ...PAIRS[0], apart: 0 }] }],
  ['an answer that is none', { pairs: [{ ...PAIRS[0], answer: 'both' }] }],
  ['a commitment without its salt', { commitment: COMMITMENT }],
  ['another key', { note: 'x' }],
])('refuses %s', (_, more) => {
  const { code, err } = pebble('notice', document(more));
  expect(code).toBe(1);
  expect(err).toContain('brake.notice.json');
});

it('takes one file', () => expect(pebble('notice').code).toBe(2));
