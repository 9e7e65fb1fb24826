import { expect, fill, message, test } from './fixtures';
import { beginWithPlainWheel, hands } from './plainWheel';

test.use({ book: 'begun', drivePace: 4 });

test('a ride whose worker is lost, or whose page is left, is kept up to there', async ({ page, server }) => {
  await page.addInitScript(() => {
    const started: Worker[] = [];
    (window as unknown as { started: Worker[] }).started = started;
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(...asked: ConstructorParameters<typeof Real>) {
        super(...asked);
        started.push(this);
      }
    };
  });
  const trail = page.getByRole('region', { name: 'Trail' });
  await page.goto(`${server.url}/ride`);
  await page.getByRole('link', { name: 'Drive 3 laps' }).click();
  const ride = page.getByRole('main');
  await expect(ride).toHaveAttribute('data-drive', 'driving');
  await expect(page.getByText(/^Lap 1 of 3 · (0:0[4-9]|0:[1-5])/)).toBeVisible();
  await page.evaluate(() => (window as unknown as { started: Worker[] }).started.at(-1)!.terminate());
  await expect(page.getByText('The ride broke off, and is kept up to there')).toBeVisible();
  await expect(page.getByText('it no longer answers')).toBeVisible();
  await page.getByRole('link', { name: 'See what it shows' }).click();
  await expect(trail.getByRole('button', { name: /^Ride/ })).toHaveCount(2);

  await page.getByRole('link', { name: 'Drive 3 laps' }).click();
  await expect(ride).toHaveAttribute('data-drive', 'driving');
  await expect(page.getByText(/^Lap 1 of 3/)).toBeVisible();
  await page.goBack();
  await expect(message(page, 'The ride is kept up to where you left it.')).toBeVisible();
  await expect(trail.getByRole('button', { name: /^Ride/ })).toHaveCount(3);
});

test.describe('a wheel and pedals of one’s own', () => {
  // Its hands and eyes are those of the page: they see no more in a second than it draws.
  test.use({ book: 'empty', drivePace: 1, isLive: true });

  test('drives by the feet alone: begins with them off, stands still without the wheel, ends on the held brake', async ({
    page,
    server,
  }) => {
    await beginWithPlainWheel(page, server.url, 'Fenwick Six');
    await page.goto(`${server.url}/ride`);
    await page.getByLabel('On the road').selectOption('quarry-pan');
    await expect(page.getByText(/^Quarry Pan, [\d.]+ km/).first()).toBeVisible();
    await page.getByRole('link', { name: /^Drive \d laps$/ }).click();

    const ride = page.getByRole('main');
    await hands(page, { throttle: 0.4 });
    await expect(page.getByText('Take your feet off the pedals')).toBeVisible();
    await hands(page, { throttle: 0, brake: 0.04 });
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await hands(page, { throttle: 0.9 });
    await expect(page.getByText(/, [\d.]+ frames behind the device/)).toBeVisible();
    await expect(page.getByText(/· 0:0[4-9]/)).toBeVisible();
    // The plug is pulled with the foot down: nothing moves on, and nothing goes on before the foot was off.
    await hands(page, { isThere: false });
    await expect(page.getByText('The device was unplugged')).toBeVisible();
    await hands(page, { isThere: true });
    await expect(page.getByText('Take your feet off the pedals')).toBeVisible();
    await hands(page, { throttle: 0 });
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await hands(page, { brake: 1 });
    await expect(page.getByText('The ride is kept', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'See what it shows' }).click();
    await expect(page.getByText(/driven here by Dawn shift/)).toBeVisible();
    await expect(
      page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Ride/ }),
    ).toHaveCount(1);
  });

  test('drives a lap by what is seen of the road: unplugged on the way, and the foot that rests on the brake is found', async ({
    page,
    server,
  }) => {
    await beginWithPlainWheel(page, server.url, 'Marl 850');
    await page.goto(`${server.url}/translate/describe?of=road`);
    await page.getByLabel(/A corner on each line/).fill('40 30 180 left\n40 30 180 left');
    await page.getByRole('button', { name: 'Lay these lines' }).click();
    await fill(page, 'Called', 'Loft Ring');
    await page.getByRole('button', { name: 'Keep this road' }).click();
    await expect(page).toHaveURL(/\/lock$/);
    await page.goto(`${server.url}/drive?laps=1`);
    const ride = page.getByRole('main');
    await hands(page, { isDriving: true });
    await expect(page.getByText(/^Lap 1 of 1/)).toBeVisible();
    await expect(page.getByText(/^Lap 1 of 1 · 0:0[5-9]/)).toBeVisible();
    await hands(page, { isThere: false });
    await expect(page.getByText('The device was unplugged')).toBeVisible();
    await hands(page, { isThere: true });
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await expect(page.getByText(/^Kept: \d:\d\d/)).toBeVisible();
    await page.getByRole('link', { name: 'See what it shows' }).click();
    await expect(
      page.getByRole('heading', { name: /^The brake drags on \d+ % of the full throttle/ }),
    ).toBeVisible();
  });
});
