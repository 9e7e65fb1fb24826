import { expect, walksOn } from '../testing/walk';

const test = walksOn('begun');

test('another road begins a comparison of its own; what was driven elsewhere is not compared with it', async ({
  page,
}) => {
  await page.goto('/ride');
  await page.getByLabel('On the road').selectOption({ label: 'Quarry Pan, 1.4 km' });
  await expect(page.getByText('Ride on Quarry Pan')).toBeVisible();
  await expect(page.getByText(/^Saltmarsh Loop, 3\.4 km, Marl 850/)).toBeVisible();
  const rides = page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Ride/ });
  await page.getByRole('button', { name: 'Ride 3 laps' }).click();
  await expect(rides).toHaveCount(2);
  await expect(rides.nth(0)).toHaveAccessibleName(/^Ride, 3 laps/);
  await expect(rides.nth(1)).toHaveAccessibleName(/^Ride A, 3 laps/);
  await rides.nth(0).click();
  await page.getByRole('button', { name: 'Make it B' }).click();
  await expect(rides.nth(0)).toHaveAccessibleName(/^Ride B/);
  await page.goto('/verdict?pair=1');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A and B were driven on different roads');
});
