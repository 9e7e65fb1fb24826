import { existsSync } from 'node:fs';
import { TOPICS } from './topics';

it.each([
  'clipping',
  'rotation',
  'back up',
  'dead zone',
  'gain',
  'sensor',
  'wear',
  'buttons',
  'minimum force',
  'saturation',
  'linearity',
  'damper',
  'hysteresis',
  'calibration',
  'profile',
  'mph',
])('what people of the field look for leads somewhere: %s', (asked) => {
  const found = TOPICS.filter(({ name, words }) =>
    [name.toLowerCase(), ...words].some((word) => word.includes(asked)),
  );
  expect(found.length).toBeGreaterThan(0);
});

it('every topic leads to a page that there is, and no word stands twice in one', () => {
  for (const { path, words } of TOPICS) {
    const page = path.replace(/[?#].*/, '');
    const there = ['src/app/(book)', 'src/app'].some(
      (root) => existsSync(`${root}${page}/page.tsx`) || existsSync(`${root}${page}`),
    );
    if (!there) throw new Error(`${path} is no page`);
    expect(new Set(words).size).toBe(words.length);
  }
});
