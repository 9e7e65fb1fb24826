import { isLongRun } from '@/core/testing/longRun';
import { driveFast, expect, expectAccessible, message, type Page, walksOn } from '../testing/walk';

const test = walksOn('few');
driveFast();

test('drills driven by the simulated rig: said what to do, measured, one sentence and a picture, and kept apart from laps', async ({
  page,
}) => {
  await page.goto('/ride');
  const rides = page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Ride/ });
  const before = await rides.count();
  await page.getByRole('link', { name: 'Drills', exact: true }).click();
  await expect(
    page.getByRole('heading', { name: 'What the settings are for: the hands and feet' }),
  ).toBeVisible();
  // Nothing is known yet: the easiest comes first.
  await expect(page.getByRole('heading', { name: 'Next: Slow roll' })).toBeVisible();
  await expectAccessible(page, 'Drills, empty');

  await page.goto('/drive?drill=catch');
  const main = page.getByRole('main');
  await expect(
    page.getByText('Let the rear go, let the rim run through the hands, and catch it.'),
  ).toBeVisible();
  await expect(main).toHaveAttribute('data-drive', 'driving');
  const sentence = page.getByText(/^Largest slip \d+°\. After 5 attempts it is said how that compares/);
  await expect(sentence).toBeVisible();
  await expect(page.getByRole('img', { name: /^Slides caught: what was just driven/ })).toBeVisible();
  await expectAccessible(page, 'an attempt');
  await page.getByRole('button', { name: 'Once more (yes)' }).click();
  await expect(sentence).toBeHidden();
  await expect(sentence).toBeVisible();

  await page.goto('/drive?drill=circle');
  await expect(page.getByText(/^Spread of the radius \d\.\d\d m\. After 5/)).toBeVisible();
  await expect(page.getByRole('img', { name: /over its circle$/ })).toBeVisible();
  await page.getByRole('link', { name: 'To the drills (no)' }).click();
  await expect(page.getByRole('heading', { name: /^Spread of the radius/ })).toBeVisible();
  const table = page.getByRole('table', { name: 'The drills, as you drove them' });
  await expect(table.getByRole('row', { name: /^Slides caught.*after 5 attempts 2/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^Throttle circle.*after 5 attempts 1/ })).toBeVisible();
  await expectAccessible(page, 'Drills');

  // What has no laps takes nothing from those that have.
  await page.goto('/ride');
  await expect(page.getByRole('heading', { name: /^The brake drags on/ })).toBeVisible();
  expect(await rides.count()).toBe(before);
});

/** Drives the circle; gives how fast the foot is heard to move. */
async function circle(page: Page): Promise<number> {
  await page.goto('/drive?drill=circle');
  const all = page.getByText(/^radius \d+\.\d m.*, rate of the foot [0-9.]+ 1.s/);
  await expect(all).toBeVisible();
  return Number(/rate of the foot ([0-9.]+)/.exec((await all.textContent())!)![1]);
}

test('a steep curve makes the circle worse, which is told with its cause; the advised value makes it better', async ({
  page,
}) => {
  // The same draw each time: what differs is the setting alone.
  const draw = jest.spyOn(Math, 'random').mockReturnValue(0.3);
  const linear = await circle(page);
  await page.goto('/shape/throttle');
  const swell = page.getByRole('slider', { name: /swell/i }).first();
  await swell.focus();
  await swell.press('End');
  const next = page.getByRole('region', { name: 'What to do next' });
  await next.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Change: Throttle swell/ }),
  ).toBeVisible();
  const steep = await circle(page);
  expect(steep).toBeGreaterThan(1.2 * linear);
  await page.getByRole('link', { name: 'To the drills (no)' }).click();
  await expect(
    page.getByText(/the title hears 1\.[3-9] times what it moves there\. Of rate of the foot/),
  ).toBeVisible();
  await next.getByRole('button', { name: /^Apply: Throttle swell/ }).click();
  await expect(message(page, /^Throttle swell .* is on the trail$/)).toBeVisible();
  const better = await circle(page);
  draw.mockRestore();
  expect(better).toBeLessThan(0.85 * steep);
});

/** What is said at once of an attempt of each: the measure that it is judged by. */
const OTHERS: [drill: string, label: string, sentence: RegExp][] = [
  ['slow-roll', 'Slow roll', /^Spread of the speed \d\.\d\d m.s\. After 5/],
  ['brake-peak', 'Brake peaks', /^Spread of the peaks \d+\.\d %\. After 5/],
  ['threshold', 'Threshold braking', /^Stop \d+\.\d m\. After 5/],
  ['trail', 'Trail braking', /^Largest slip \d+°\. After 5/],
  ['launch', 'Launch', /^60 m \d+\.\d\d s\. After 5/],
  ['initiate', 'Breaking it loose', /^Spread of the angles \d+\.\d°\. After 5/],
  ['eight', 'Figure of eight', /^Largest slip \d+°\. After 5/],
  ['weave', 'Weave', /^Spread of the path \d\.\d\d m\. After 5/],
];

test('the other drills are driven by the simulated rig, measured, and stand in the list', async ({
  page,
}) => {
  const driven = OTHERS.filter((_, i) => isLongRun || i % 3 === 0);
  for (const [drill, label, sentence] of driven) {
    await page.goto(`/drive?drill=${drill}`);
    await expect(page.getByText(sentence)).toBeVisible();
    await expect(page.getByRole('img', { name: new RegExp(`^${label}`) })).toBeVisible();
  }
  await page.goto('/drills');
  const table = page.getByRole('table', { name: 'The drills, as you drove them' });
  for (const [, label] of driven)
    await expect(table.getByRole('row', { name: new RegExp(`^${label}.*after 5 attempts 1`) })).toBeVisible();
  // This car cannot be held in a slide: it is not asked to.
  await expect(table.getByRole('row', { name: /^Held slide/ })).toHaveCount(0);
});
