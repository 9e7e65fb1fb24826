import { captureBrake, expect, ride, test } from './fixtures';

test.use({ book: 'begun' });

test('the whole road with the simulated rig: measured, shaped, ridden and judged', async ({
  page,
  server,
}) => {
  const road = page.getByRole('navigation', { name: 'Road' });
  const trail = page.getByRole('region', { name: 'Trail' });

  // 1. The demo book: what needs a look was found by the product.
  await page.goto(server.url);
  await expect(page.getByText('On the Tern in Causeway with the Marl 850, Late shift')).toBeVisible();
  await expect(
    road.getByRole('link', { name: /Axes, needs a look: Brake drags under a resting foot/ }),
  ).toBeVisible();

  // 2. A guided capture.
  await captureBrake(page);

  // 3. The result, with two recommendations in the title's own numbers; each becomes a pebble.
  const next = page.getByRole('region', { name: 'What to do next' });
  await expect(next.getByRole('heading', { name: /Brake ebb \(dead zone\) 0 → [3-6]/ })).toBeVisible();
  await expect(next.getByRole('heading', { name: /Brake flood \(saturation\) 0 → (1\d|2\d)/ })).toBeVisible();
  await expect(next.getByText(/95, at 90 % confidence/)).toBeVisible();

  // 5a. Ride before.
  await road.getByRole('link', { name: /Ride/ }).click();
  await ride(page, /Ride B, 3 laps/);
  await page.getByRole('button', { name: /Ride B, 3 laps/ }).click();
  await page.getByRole('button', { name: 'Make it A' }).click();
  await expect(trail.getByRole('button', { name: /Ride A, 3 laps/ })).toHaveCount(1);
  await page.keyboard.press('Escape');

  await road.getByRole('link', { name: /^Axes/ }).click();
  await next.getByRole('button', { name: /^Apply: Brake ebb/ }).click();
  await expect(trail.getByRole('button', { name: /Change: Brake ebb 0 →/ })).toBeVisible();
  await next.getByRole('button', { name: /^Apply: Brake flood/ }).click();
  await expect(trail.getByRole('button', { name: /Change: Brake flood 0 →/ })).toBeVisible();
  await expect(
    road.getByRole('link', { name: /Axes, under way: All measured, not proved yet/ }),
  ).toBeVisible();

  // 4. Shape: the picture follows the slider, the number can be typed, nothing is kept before it is said so.
  await road.getByRole('link', { name: /Shape/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'A resting foot does nothing, your full press gives 100 %',
  );
  const linearity = page.getByRole('textbox', { name: 'Swell, number' });
  await linearity.fill('30');
  await linearity.press('Enter');
  await expect(page.getByRole('slider', { name: 'Swell' })).toHaveAttribute('aria-valuenow', '30');
  await next.getByRole('button', { name: 'Put back' }).click();
  await expect(linearity).toHaveValue('0');

  // 5b. Ride after.
  await road.getByRole('link', { name: /Ride/ }).click();
  await ride(page, /Ride B, 3 laps, 2 changes before it/);

  // 6. Verdict.
  await road.getByRole('link', { name: /Verdict/ }).click();
  await next.getByRole('link', { name: 'Compare A and B' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /In ride B the brake no longer drags .* 100 % of the full presses show 100 % instead of 0 %/,
  );
  await expect(page.getByText(/Confounded: brake ebb and brake flood changed/)).toBeVisible();
  const table = page.getByRole('table', { name: 'A and B in numbers' });
  await expect(table.getByRole('row', { name: /Brake drag 100 % 0 % −100 points/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /Spread of full presses/ })).toBeVisible();
  // Two changes and one difference: what to put back for the next ride is said.
  await expect(next.getByRole('heading', { name: 'Which of them did it?' })).toBeVisible();
  await next.getByRole('button', { name: 'Put back', exact: true }).first().click();
  await expect(trail.getByRole('button', { name: /Brake ebb .*, put back/ })).toBeVisible();

  // 7. All of it is still there after a reload.
  await page.reload();
  await expect(trail.getByRole('button', { name: /Brake ebb .*, put back/ })).toBeVisible();
  await expect(trail.getByRole('button', { name: /Change: Brake flood 0 → \d+$/ })).toBeVisible();
  await expect(trail.getByRole('button', { name: /^Ride/ })).toHaveCount(3);
});

test('the same path by keyboard alone', async ({ page, server }) => {
  const heading = page.getByRole('heading', { level: 1 });
  await page.goto(`${server.url}/axes`);
  await expect(heading).toHaveText(/The brake drags/);
  await page.keyboard.press('Space');
  await expect(heading).toHaveText(/^(Foot off|Rest your foot on) the brake/);
  await page.getByRole('button', { name: '16×' }).focus();
  await page.keyboard.press('Enter');
  await expect(heading).toHaveText(/The brake drags, and full/);

  const apply = page.getByRole('button', { name: /^Apply: Brake ebb/ });
  for (let i = 0; i < 60 && !(await apply.evaluate((element) => element === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeVisible();

  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/shape$/);
  await page.getByRole('slider', { name: 'Swell' }).focus();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('textbox', { name: 'Swell, number' })).toHaveValue('11');
  await page.keyboard.press('u');
  await expect(page.getByRole('textbox', { name: 'Swell, number' })).toHaveValue('0');
  await page.keyboard.press('End');
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: 'Change: Brake swell 0 → 110' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.locator('#station').focus();
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'Change: Brake swell 0 → 110, put back' })).toBeVisible();

  await page.keyboard.press('6');
  await expect(page).toHaveURL(/\/ride$/);
  await page.locator('#station').focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: /Ride B, 3 laps/ })).toBeVisible();
  await page.keyboard.press('7');
  await expect(heading).toHaveText('What do you want to know?');
  await page.getByRole('link', { name: 'Compare A and B' }).focus();
  await page.keyboard.press('Enter');
  await expect(heading).toHaveText(/In ride B the brake no longer drags/);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('shape:');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/shape$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});
