import { driveAt, driveFast, expect, expectAccessible, walksOn } from '../testing/walk';

const test = walksOn('begun');
driveFast();

test('drives a lap in real time, is unplugged and comes back; the ride is kept, and its resting brake is found', async ({
  page,
}) => {
  await page.goto('/ride');
  await page.getByLabel('On the road').selectOption('quarry-pan');
  await expect(page.getByRole('heading', { name: 'Ride on Quarry Pan' })).toBeVisible();
  await page.goto('/drive?laps=1');
  const ride = page.getByRole('main');
  await expect(ride).toHaveAttribute('data-drive', 'driving');
  await expect(page.getByText(/^Lap 1 of 1 · (0:0[3-9]|0:[1-5])/)).toBeVisible();
  await page.getByRole('button', { name: 'Unplug' }).click();
  await expect(page.getByText('The device was unplugged')).toBeVisible();
  await expect(ride).toHaveAttribute('data-drive', 'stopped');
  await expectAccessible(page, 'Drive, stopped');
  await page.getByRole('button', { name: 'Plug in' }).click();
  await expect(ride).toHaveAttribute('data-drive', 'driving');
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Go on whenever you like.')).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText(/^Kept: 1:[0-2]/)).toBeVisible();
  // Quarry Pan is driven twice around its circle.
  await expect(page.getByText(/^radius 2[4-6]\.\d m, /)).toBeVisible();
  await expectAccessible(page, 'Drive, over');
  await page.getByRole('link', { name: 'See what it shows' }).click();
  await expect(
    page.getByRole('heading', { name: /^The brake drags on \d+ % of the full throttle/ }),
  ).toBeVisible();
  await expect(page.getByText(/^Quarry Pan, 1\.4 km, .*simulated driver/)).toBeVisible();
});

test('a setting is changed while driving: each value is a ride of its own, and lies on the trail before it', async ({
  page,
}) => {
  await page.goto('/ride');
  await page.getByText('Gears, clutch, paddles, ghost').click();
  const paddles = page.getByLabel('The paddles');
  // Paddles that shift change nothing else; who shifts may work the clutch.
  await expect(page.getByLabel('Clutch', { exact: true })).toBeHidden();
  await page.getByLabel('Gears', { exact: true }).selectOption('by the paddles');
  await expect(paddles).toBeHidden();
  await page.getByLabel('Clutch', { exact: true }).selectOption('by foot');
  await expect(page.getByRole('link', { name: 'Drive 3 laps' })).toHaveAttribute(
    'href',
    '/drive?laps=3&gears=paddles&clutch=foot',
  );
  await page.getByLabel('Gears', { exact: true }).selectOption('shift by themselves');
  // What the wheel's force does is not felt here, and not offered.
  await expect(paddles.getByRole('option', { name: /Calming/ })).toHaveCount(0);
  await paddles.selectOption({ label: 'Brake ebb, a step up or down' });
  // Slow enough for two pulls within two seconds of the ride.
  driveAt(2);
  await page.getByRole('link', { name: 'Drive 3 laps' }).click();
  const ride = page.getByRole('main');
  await expect(ride).toHaveAttribute('data-drive', 'driving');
  await expect(page.getByText('Brake ebb 0', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Lap 1 of 3/)).toBeVisible();
  // Two pulls at once: only the value that was driven with comes onto the trail.
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await expect(page.getByText('Brake ebb 2', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Lap 1 of 3 · (0:0[6-9]|0:[1-5]|1:)/)).toBeVisible();
  await page.getByRole('button', { name: 'One step down' }).click();
  await expect(page.getByText(/^Lap 1 of 3 · (0:[1-5]|1:)/)).toBeVisible();
  await page.getByRole('button', { name: 'End and keep' }).click();
  const trail = page.getByRole('region', { name: 'Trail' });
  await expect(trail.getByRole('button', { name: /^Change: Brake ebb 0 → 2/ })).toHaveCount(1);
  await expect(trail.getByRole('button', { name: /^Change: Brake ebb 2 → 1/ })).toHaveCount(1);
  await expect(trail.getByRole('button', { name: /^Change: Brake ebb 0 → 1/ })).toHaveCount(0);
  // The demo's own ride, and three parts of this one.
  await expect(trail.getByRole('button', { name: /^Ride/ })).toHaveCount(4);
});

test('an earlier lap is driven along with: the outline of a car, and how far it is ahead', async ({
  page,
}) => {
  await page.goto('/ride');
  await page.getByText('Gears, clutch, paddles, ghost').click();
  await page.getByLabel('Ghost').selectOption({ index: 1 });
  await page.getByRole('link', { name: /^Drive \d laps/ }).click();
  await expect(page.getByText(/^Against the ghost’s 2:0\d\.\d\d$/)).toBeVisible();
  await expect(page.getByText(/^(Level with|0\.\d s (behind|ahead of)) the ghost’s/)).toBeVisible();
  // Put back on the road it rolls, and the ghost goes on.
  await page.getByRole('button', { name: 'Back to the road' }).click();
  await expect(page.getByText(/^[1-9]\.\d s behind the ghost’s/)).toBeVisible();
  // A ride that is not there, or lies on another road, is no ghost.
  await page.goto('/drive?ghost=nobody');
  await expect(page.getByRole('main')).toHaveAttribute('data-drive', 'driving');
  await expect(page.getByText('ghost')).toBeHidden();
});
