import { giveRingLogs, openRingLogs } from '../testing/ringLog';
import { choose, expect, expectAccessible, fill, walksOn } from '../testing/walk';

const test = walksOn('begun');

test('logs of one road: where the force clips, what it is made of, what a feeling and another car say, and what the gain’s numbers do', async ({
  page,
}) => {
  const heading = page.getByRole('heading', { level: 1 });
  const next = page.getByRole('region', { name: 'What to do next' });
  await page.goto('/ride');
  await openRingLogs(page, { 'half.csv': 0.4, 'all.csv': 0.8, 'hot.csv': 1.4 });
  await next.getByRole('button', { name: 'So it is, in all 3 logs' }).click();
  await next.getByRole('button', { name: 'Keep these 3' }).click();
  await expect(heading).toHaveText('3 of 3 files lie on the trail');

  // Clipped pieces stand where the log drove, on no road of ours.
  await page.goto('/force');
  const clippingOf = page.getByLabel('Clipping of');
  await expect(clippingOf).toBeVisible();
  const chooseLog = async (name: string) => {
    const names = await clippingOf.locator('option').allTextContents();
    await clippingOf.selectOption({ index: names.findIndex((one) => one.startsWith(name)) });
  };
  await chooseLog('hot.csv');
  await page.getByRole('button', { name: 'on the map' }).click();
  await expect(
    page.getByRole('img', { name: /^The lap as it was logged from above, with \d+ clipped pieces/ }),
  ).toBeVisible();
  await expectAccessible(page, 'the map of a log');

  // What the force is made of; what the log does not hold is asked for by name.
  await page.getByRole('button', { name: 'Balance', exact: true }).click();
  const parts = page.getByRole('region', { name: 'Force of hot.csv' });
  await expect(parts.getByText('follows the corners')).toBeVisible();
  await expect(parts.getByText(/The corners explain over 99 % of the slow force/)).toBeVisible();
  await expect(parts.getByText('The log has 14 rows a second: effects need 32.')).toBeVisible();
  await expectAccessible(page, 'the parts of a logged force');

  // What a driver feels is looked for in the log as well.
  await page.getByRole('button', { name: 'Feels like…' }).click();
  await page.getByRole('button', { name: 'Robotic, like gears' }).click();
  await expect(page.getByText(/As logged: \d.*% of the ride is clipped/)).toBeVisible();
  await expect(page.getByText(/How the signal fills its scale was read from hot\.csv/)).toBeVisible();
  await expectAccessible(page, 'a feeling that is read from a log');

  // One car's log alone is compared with nothing; with one of another car the two are.
  const cars = page.getByRole('table', { name: 'Gain per car' });
  const rowOf = (name: string) => cars.getByRole('row', { name: new RegExp(`^${name}`) });
  await page.getByRole('button', { name: 'Cars', exact: true }).click();
  await expect(rowOf('Fenwick Six')).toContainText('simulated');
  await choose(page, 'Car', 'Fenwick Six');
  await page.goto('/ride');
  await giveRingLogs(page, { 'six-1.csv': 0.3, 'six-2.csv': 0.35 });
  await next.getByRole('button', { name: 'Keep these 2' }).click();
  await expect(heading).toHaveText('2 of 2 files lie on the trail');
  await choose(page, 'Car', 'Marl 850');
  await page.goto('/force?part=cars');
  // The newest log is at its limit: how strong its end is it cannot tell.
  await expect(rowOf('Marl 850')).toContainText('Its log is at full scale there');
  await expect(rowOf('Fenwick Six')).toContainText('simulated');
  await page.getByRole('button', { name: 'Strength', exact: true }).click();
  await chooseLog('all.csv');
  await page.getByRole('button', { name: 'Cars', exact: true }).click();
  await expect(rowOf('Marl 850')).toContainText('all.csv');
  await expect(rowOf('Fenwick Six')).toContainText(/six-2\.csv/);
  await expect(rowOf('Fenwick Six')).toContainText(/4[345] %/);
  await expectAccessible(page, 'cars by their logs');

  // The gain of a title that nobody knows: the force of the second ride is twice that of the first.
  await page.goto('/translate/describe');
  await fill(page, 'What is it called?', 'Low Ferry');
  await page.getByRole('textbox', { name: /^Type or paste its menu/ }).fill('Overall gain 70 0 100');
  await page.getByRole('button', { name: 'Take these lines' }).click();
  const compare = next.getByRole('button', { name: 'Compare the two rides' });
  await compare.click();
  await expect(next.getByRole('alert')).toHaveText('Type what Overall gain stood at in each ride.');
  const pick = async (which: 'First' | 'Second', name: string, gain: string) => {
    const ride = next.getByLabel(`${which} ride`);
    const names = await ride.locator('option').allTextContents();
    await ride.selectOption({ index: names.findIndex((one) => one.startsWith(name)) });
    await next.getByLabel(`Overall gain in the ${which.toLowerCase()}`).fill(gain);
  };
  await pick('First', 'half.csv', '35');
  await pick('Second', 'all.csv', '70');
  await compare.click();
  await expect(next.getByText(/The force grew (1\.9|2\.0)\d times .*the number 2\.00 times/)).toBeVisible();
  await expect(next.getByText(/It is a factor of the force, within 10 %/)).toBeVisible();
  await expectAccessible(page, 'a gain that is probed');
  // With other numbers nothing of it holds any more.
  await pick('Second', 'all.csv', '50');
  await expect(next.getByText(/The force grew/)).toHaveCount(0);
  await compare.click();
  await expect(next.getByText(/It is no plain factor/)).toBeVisible();
  await expect(next.getByRole('button', { name: 'Note it as measured' })).toHaveCount(0);
  await pick('Second', 'all.csv', '70');
  await compare.click();
  await next.getByRole('button', { name: 'Note it as measured' }).click();
  await expect(page.getByText(/^Read: /)).toBeVisible();
});
