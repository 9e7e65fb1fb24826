import { expectAccessible } from './axe';
import { expect, test } from './fixtures';

test('drills driven by the simulated rig: said what to do, measured, one sentence and a picture, and kept apart from laps', async ({
  page,
  server,
}) => {
  test.setTimeout(240_000);
  await page.goto(`${server.url}/ride`);
  const rides = page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Ride/ });
  const before = await rides.count();
  await page.getByRole('link', { name: 'Drills', exact: true }).click();
  await expect(
    page.getByRole('heading', { name: 'What the settings are for: the hands and feet' }),
  ).toBeVisible();
  // Nothing is known yet: the easiest comes first.
  await expect(page.getByRole('heading', { name: 'Next: Slow roll' })).toBeVisible();
  await expectAccessible(page, 'Drills, empty');

  await page.goto(`${server.url}/drive?drill=catch`);
  const main = page.getByRole('main');
  await expect(
    page.getByText('Let the rear go, let the rim run through the hands, and catch it.'),
  ).toBeVisible();
  await expect(main).toHaveAttribute('data-drive', 'driving');
  const sentence = page.getByText(/^Largest slip \d+°\. After 5 attempts it is said how that compares/);
  await expect(sentence).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('img', { name: /^Slides caught: what was just driven/ })).toBeVisible();
  await expectAccessible(page, 'an attempt');
  await page.getByRole('button', { name: 'Once more (yes)' }).click();
  await expect(sentence).toBeHidden();
  await expect(sentence).toBeVisible({ timeout: 60_000 });

  await page.goto(`${server.url}/drive?drill=circle`);
  await expect(page.getByText(/^Spread of the radius \d\.\d\d m\. After 5/)).toBeVisible({ timeout: 90_000 });
  await expect(page.getByRole('img', { name: /over its circle$/ })).toBeVisible();
  await page.getByRole('link', { name: 'To the drills (no)' }).click();
  await expect(page.getByRole('heading', { name: /^Spread of the radius/ })).toBeVisible();
  const table = page.getByRole('table', { name: 'The drills, as you drove them' });
  await expect(table.getByRole('row', { name: /^Slides caught.*after 5 attempts 2/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^Throttle circle.*after 5 attempts 1/ })).toBeVisible();
  await expectAccessible(page, 'Drills');

  // What has no laps takes nothing from those that have.
  await page.goto(`${server.url}/ride`);
  await expect(page.getByRole('heading', { name: /^The brake drags on/ })).toBeVisible();
  expect(await rides.count()).toBe(before);
});
