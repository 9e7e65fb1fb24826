import { expectAccessible } from './axe';
import { expect, test } from './fixtures';

test.describe('the simulated rig', () => {
  test('drives a lap in real time, is unplugged and comes back; the ride is kept, and its resting brake is found', async ({
    page,
    server,
  }) => {
    test.setTimeout(150_000);
    await page.goto(`${server.url}/ride`);
    await page.getByLabel('On the road').selectOption('quarry-pan');
    await expect(page.getByRole('heading', { name: 'Ride on Quarry Pan' })).toBeVisible();
    await page.goto(`${server.url}/drive?laps=1`);
    const ride = page.getByRole('main');
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await expect(page.getByText(/^Lap 1 of 1 · 0:0[3-9]/)).toBeVisible();
    await page.getByRole('button', { name: 'Unplug' }).click();
    await expect(page.getByText('The device was unplugged')).toBeVisible();
    await expect(ride).toHaveAttribute('data-drive', 'stopped');
    await expectAccessible(page, 'Drive, stopped');
    await page.getByRole('button', { name: 'Plug in' }).click();
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('Go on whenever you like.')).toBeVisible();
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByText(/^Kept: 1:[0-2]/)).toBeVisible({ timeout: 150_000 });
    // Quarry Pan is driven twice around its circle.
    await expect(page.getByText(/^radius 2[4-6]\.\d m, /)).toBeVisible();
    await expectAccessible(page, 'Drive, over');
    await page.getByRole('link', { name: 'See what it shows' }).click();
    await expect(
      page.getByRole('heading', { name: /^The brake drags on \d+ % of the full throttle/ }),
    ).toBeVisible();
    await expect(page.getByText(/^Quarry Pan, 1\.4 km, .*simulated driver/)).toBeVisible();
  });
});

test.describe('a wheel and pedals of one’s own', () => {
  test.use({ book: 'empty' });

  /** Three axes: the wheel, a throttle, and a brake on which a foot rests. What they do is said by the test. */
  function fakeWheel() {
    const state = { throttle: 0, brake: 0.05, steer: 0, isThere: true };
    (window as unknown as { wheel: typeof state }).wheel = state;
    const started = performance.now();
    const pad = () => {
      const h1 = document.querySelector('h1')?.textContent ?? '';
      const t = (performance.now() - started) / 1000;
      const stroke = Math.max(0, Math.sin(4 * t));
      const brake =
        /^Press any pedal/.test(h1) && !document.querySelector('[data-drive]') ? stroke : state.brake;
      return {
        ...{ id: 'Plain wheel (made up)', index: 0, connected: true, mapping: '' },
        timestamp: performance.now(),
        axes: [state.steer, -0.95 + 1.9 * state.throttle, -0.95 + 1.9 * brake],
        buttons: [0, 1].map(() => ({ pressed: false, touched: false, value: 0 })),
      };
    };
    Object.defineProperty(navigator, 'getGamepads', {
      value: () => (state.isThere ? [pad(), null] : [null]),
    });
  }

  test('drives by the feet alone: begins with them off, stands still without the wheel, ends on the held brake', async ({
    page,
    server,
  }) => {
    test.setTimeout(90_000);
    const feet = (over: object) =>
      page.evaluate((o) => Object.assign((window as unknown as { wheel: object }).wheel, o), over);
    await page.addInitScript(fakeWheel);
    await page.goto(server.url);
    await expect(page.getByText(/axis 3 of Plain wheel moved over/)).toBeVisible();
    await page.getByLabel('What do you call it?').fill('Workbench');
    await page.getByLabel('Which title do you drive?').selectOption('Causeway');
    await page.getByLabel('With which car?').selectOption('Fenwick Six');
    await page.getByRole('button', { name: 'That is the brake: begin' }).click();
    await expect(page.getByText('On the Workbench in Causeway')).toBeVisible();
    await page.goto(`${server.url}/rig`);
    for (const [axis, place] of [
      ['steering', 1],
      ['throttle', 2],
    ] as const) {
      await page.getByRole('button', { name: `Find the ${axis} by moving it` }).click();
      const list = page.getByLabel('Or choose a reading');
      await list.selectOption({ label: `Plain wheel: axis ${place}` });
      await expect(page.getByText(`axis ${place} of Plain wheel`, { exact: true })).toBeVisible();
    }
    await page.goto(`${server.url}/ride`);
    await page.getByLabel('On the road').selectOption('quarry-pan');
    await expect(page.getByText(/^Quarry Pan, [\d.]+ km/).first()).toBeVisible();
    await page.getByRole('link', { name: /^Drive \d laps$/ }).click();

    const ride = page.getByRole('main');
    await feet({ throttle: 0.4 });
    await expect(page.getByText('Take your feet off the pedals')).toBeVisible();
    await feet({ throttle: 0, brake: 0.04 });
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await feet({ throttle: 0.9 });
    await expect(page.getByText(/, [\d.]+ frames behind the device/)).toBeVisible();
    await expect(page.getByText(/· 0:0[4-9]/)).toBeVisible();
    // The plug is pulled with the foot down: nothing moves on, and nothing goes on before the foot was off.
    await feet({ isThere: false });
    await expect(page.getByText('The device was unplugged')).toBeVisible();
    await feet({ isThere: true });
    await expect(page.getByText('Take your feet off the pedals')).toBeVisible();
    await feet({ throttle: 0 });
    await expect(ride).toHaveAttribute('data-drive', 'driving');
    await feet({ brake: 1 });
    await expect(page.getByText('The ride is kept', { exact: true })).toBeVisible({ timeout: 60_000 });
    await page.getByRole('link', { name: 'See what it shows' }).click();
    await expect(page.getByText(/driven here by Dawn shift/)).toBeVisible();
    await expect(
      page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Ride/ }),
    ).toHaveCount(1);
  });
});
