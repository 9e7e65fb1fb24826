import type { Page } from '@playwright/test';
import { expect, message, test } from './fixtures';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

async function openRig(page: Page, name: string) {
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitemradio', { name }).click();
  await expect(page.getByText(new RegExp(`^On the ${name} in`))).toBeVisible();
}

test('the Gannet: seven axes, an inverted clutch; the check says exactly what is wrong, then it is signed', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await openRig(page, 'Gannet');
  await page.goto(`${server.url}/axes/clutch`);
  await expect(page.getByText(/reads inverted$/)).toBeVisible();
  await page.getByRole('button', { name: 'All axes' }).click();
  await expect(
    page.getByText('Then: throttle, brake, clutch, handbrake, left paddle, right paddle.'),
  ).toBeVisible();
  // What was accepted is a draft; here it is not gone on with.
  await expect(heading(page)).toHaveText(/^Turn fully left/);
  await page.getByRole('button', { name: 'Stop' }).click();
  // The road says what is worst; the axis itself that its capture waits.
  await expect(page.getByRole('link', { name: /^Steering: Steering capture waits/ })).toBeVisible();
  await page.goto(`${server.url}/axes/steering`);
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(message(page, 'The draft is gone')).toBeVisible();

  const next = page.getByRole('region', { name: 'What to do next' });
  const check = async () => {
    await page.goto(`${server.url}/axes/check`);
    await next.getByRole('button', { name: 'Start the check' }).click();
    await page.getByRole('button', { name: '4×' }).click();
    await expect(heading(page)).toHaveText(/did not come|are settled/);
  };
  await check();
  await expect(heading(page)).toHaveText(/^[23] of 15 did not come/);
  await expect(page.getByText(/Brake shows [12](\.\d)? % under the resting foot, not 0/)).toBeVisible();
  for (const axis of ['brake', 'handbrake']) {
    await page.goto(`${server.url}/axes/${axis}`);
    const apply = next.getByRole('button', { name: /^Apply: / });
    await expect(apply.first()).toBeVisible();
    while ((await apply.count()) > 0) {
      const left = await apply.count();
      await apply.first().click();
      await expect(apply).toHaveCount(left - 1);
    }
  }
  await check();
  await expect(heading(page)).toHaveText('The axes of the Gannet are settled');
  await expect(page.getByRole('link', { name: /Axes, settled: Settled and signed/ })).toBeVisible();
});
