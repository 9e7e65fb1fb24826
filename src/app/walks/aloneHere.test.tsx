import { driveFast, expect, expectAccessible, press, prompt, walksOn } from '../testing/walk';

const test = walksOn('few');
driveFast();

test.long(
  'what a setting does is driven here in some seconds each: at its least, at its most, and back',
  async ({ page }) => {
    await page.goto(`/verdict?ask=explore&of=${encodeURIComponent('title/throttle/deadzone')}`);
    await page.getByRole('button', { name: 'I drive here, alone' }).click();
    await page.getByRole('button', { name: '6 s of a straight' }).click();
    await page
      .getByRole('region', { name: 'What to do next' })
      .getByRole('button', { name: 'Start' })
      .click();
    for (const ride of [1, 2, 3]) {
      await expect(page.getByRole('main').getByText(`Ride ${ride}`, { exact: true })).toBeVisible();
      await expect(page.getByRole('main')).toHaveAttribute('data-drive', 'driving');
      if (ride > 1) {
        await expect(prompt(page)).toHaveText('Was it better than the ride before?');
        await press(page, 'No');
      }
      await expect(prompt(page)).toHaveText(/^Would you have more .*ebb\?$/);
      await press(page, ride === 2 ? 'No' : 'Yes');
    }
    await expect(prompt(page)).toHaveText(
      'Throttle ebb: you drove it at both ends; without logs only you know what it did',
    );
  },
);

test('how little is noticed: pairs here, one of the two named each time, and no leave to say nothing', async ({
  page,
}) => {
  await page.goto('/verdict');
  await page.getByRole('link', { name: /^How little do I notice\?/ }).click();
  const setting = page.getByLabel('Setting', { exact: true });
  // The wheel's force is not felt here, and is not offered.
  await expect(setting.getByRole('option', { name: /^Calming/ })).toHaveCount(0);
  const start = page.getByRole('region', { name: 'What to do next' }).getByRole('button', { name: 'Start' });
  await setting.selectOption({ label: 'Throttle ebb' });
  await expect(page.getByRole('button', { name: 'laps', exact: true })).toBeHidden();
  await expectAccessible(page, 'how little is noticed');
  await start.click();
  for (const ride of [1, 2])
    await expect(page.getByRole('main').getByText(new RegExp(`^Ride ${ride}: the`))).toBeVisible();
  await expect(prompt(page)).toHaveText('Had the second one more throttle ebb?');
  await expectAccessible(page, 'which had more');
  await press(page, 'Yes');
  await expect(page.getByRole('main').getByText(/^Ride 3: the/)).toBeVisible();
  // At the desk it goes on where it was: one of the two, or something else that told which.
  await page.goto('/verdict');
  await expect(page.getByText('Pair 2 of at most 60')).toBeVisible();
  await page.getByRole('button', { name: 'Give up' }).click();
  await expect(
    page.getByRole('heading', { name: /^Given up after one pair: too few to say what you notice/ }),
  ).toBeVisible();
});
