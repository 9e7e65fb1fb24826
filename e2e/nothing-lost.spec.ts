import { rmSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import { expect, message, test } from './fixtures';
import { startServer } from './server';

test('a server killed after Apply has everything when it comes back', async ({ page, server }) => {
  await page.goto(`${server.url}/axes`);
  await expect(page.locator('[data-drawn]').first()).toBeVisible();
  await page.getByRole('button', { name: /^Apply: Brake ebb/ }).click();
  const pebble = /Change: Brake ebb 0 → \d$/;
  await expect(page.getByRole('button', { name: pebble })).toBeVisible();
  await server.kill();
  // That nobody answers is said, and nothing pretends to be done.
  await page.getByRole('button', { name: /^Apply: Brake flood/ }).click();
  await expect(
    message(page, /^Pebble Road does not answer: what was asked of it just now may not be done/),
  ).toBeVisible();
  // Neither does a part of the program that was not loaded yet leave anybody waiting.
  await page.getByText('Captures as files').click();
  await page
    .getByLabel('Analyse a capture file')
    .setInputFiles({ name: 'brake.csv', mimeType: 'text/csv', buffer: Buffer.from('t_s,brake\n') });
  await expect(
    message(page, 'brake.csv was not read: a part of the program did not load (was Pebble Road closed?)'),
  ).toBeVisible();
  const again = await startServer(server.folder, 'demo');
  await page.goto(`${again.url}/shape`);
  await expect(page.getByRole('button', { name: pebble })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Ebb, number' })).not.toHaveValue('0');
  await again.stop();
});

test('a page that is older than the program, or that it stumbles over, is told so', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/axes`);
  const apply = page.getByRole('button', { name: /^Apply: Brake ebb/ });
  /** What the page asks next reaches a program that knows nothing of it, or cannot read it. */
  const spoilNext = (headers: Record<string, string>, body?: string) =>
    page.route(
      '**/axes/brake',
      async (route) => {
        const request = route.request();
        await route.continue({
          headers: { ...request.headers(), ...headers },
          ...(body === undefined ? {} : { postData: body }),
        });
      },
      { times: 1 },
    );
  await spoilNext({ 'next-action': '40'.padEnd(42, '0') });
  await apply.click();
  await expect(message(page, /^This page is older than the program.*is not done/)).toBeVisible();
  await spoilNext({ 'content-type': 'text/plain;charset=UTF-8' }, '{no list');
  await apply.click();
  await expect(message(page, /^Pebble Road could not do what was asked of it just now/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeHidden();
  await apply.click();
  await expect(page.getByRole('button', { name: /Change: Brake ebb 0 → \d$/ })).toBeVisible();
});

test('a second program on the same book is told who has it', async ({ server }) => {
  expect((await fetch(server.url)).ok).toBe(true);
  await expect(startServer(server.folder, 'demo')).rejects.toThrow(
    /is open in another Pebble Road \(process \d+\)/,
  );
  expect((await fetch(server.url)).ok).toBe(true);
});

test('a program that stops leaves the page standing, and goes on when it is started again', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/shape`);
  await server.stop();
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox').fill('combinations');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Pebble Road has stopped\. This page stays as it is/)).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Your resting foot gives/);
  const again = await startServer(server.folder, 'demo', Number(new URL(server.url).port));
  await expect(page).toHaveURL(/\/combinations$/);
  await expect(page.getByText(/has stopped/)).toBeHidden();
  await page.close();
  await again.stop();

  // A copy that lost a file is not taken for an empty book.
  rmSync(join(server.folder, 'book', 'PG_VERSION'));
  await expect(startServer(server.folder, 'demo')).rejects.toThrow(
    /"book\/PG_VERSION" is missing\. Nothing was changed.*--aside/,
  );
});

test('two windows: the one that still shows an older value is told, and overwrites nothing', async ({
  page,
  context,
  server,
}) => {
  const other = await context.newPage();
  for (const window of [page, other]) {
    await window.goto(`${server.url}/shape`);
    await expect(window.getByRole('button', { name: /^Apply: Brake ebb 0 to 4/ })).toBeVisible();
  }
  await page.getByLabel('Ebb', { exact: true }).first().press('PageUp');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('button', { name: /Change: Brake ebb 0 → 10/ })).toBeVisible();
  await other.getByRole('button', { name: /^Apply: Brake ebb 0 to 4/ }).click();
  await expect(message(other, /Ebb is 10 by now; this page still showed not set/)).toBeVisible();
  // It shows now what holds.
  await expect(other.getByRole('button', { name: /Change: Brake ebb 0 → 10/ })).toBeVisible();
  await expect(other.getByRole('button', { name: /Change: Brake ebb/ })).toHaveCount(1);
  await other.close();
});

test('unplugged, then reloaded in the middle of a capture: it goes on where it was', async ({
  page,
  server,
}) => {
  const heading = page.getByRole('heading', { level: 1 });
  await page.goto(`${server.url}/axes`);
  await page.getByRole('button', { name: 'Start the capture' }).click();
  await expect(heading).toHaveText('Press the brake to the stop and back');
  const sweeps = page.getByRole('listitem').filter({ hasText: 'Full sweeps' }).getByRole('img');
  await expect(sweeps).toHaveAccessibleName(/[12] of 3/);
  await page.getByRole('button', { name: 'Unplug' }).click();
  await expect(page.getByText(/The device is unplugged\. What was accepted is kept/)).toBeVisible();
  await page.getByRole('button', { name: 'Plug in' }).click();
  await expect(sweeps).toHaveAccessibleName(/[23] of 3/);
  await page.reload();

  await expect(
    page.getByRole('link', { name: /Axes, under way: Brake capture waits to go on/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(heading).toHaveText(/^Press (the brake to the stop and back|hard)/);
  await expect(sweeps).toHaveAccessibleName(/[23] of 3/);
  await page.getByRole('button', { name: '16×' }).click();
  await expect(heading).toHaveText(/The brake drags, and full is out of reach/);
  await expect(page.getByText(/Nothing was recorded between/).first()).toBeVisible();
});

test('a press in place of a resting foot is said to be one, and a button of the device accepts', async ({
  page,
  server,
}) => {
  const heading = page.getByRole('heading', { level: 1 });
  await page.goto(`${server.url}/axes`);
  await page.getByRole('button', { name: 'Start the capture' }).click();
  await page.getByRole('button', { name: 'Lift off' }).click();
  await expect(heading).toHaveText('Rest your foot on the brake as when driving');
  await page.getByRole('button', { name: 'Press', exact: true }).click();
  await expect(page.getByText(/That was a press\. Only rest the foot/)).toBeVisible();
  await page.getByRole('button', { name: 'Rest on it' }).click();
  await expect(async () => {
    await page.getByRole('button', { name: 'Device button' }).click();
    await expect(heading).toHaveText('Press the brake to the stop and back', { timeout: 300 });
  }).toPass();
});

/** What is answered to a request that only says how much would come. */
const announced = (url: string, bytes: number) =>
  new Promise<{ status: number | undefined; text: string }>((resolve, reject) => {
    const call = request(url, { method: 'POST', headers: { 'content-length': bytes } }, (answer) => {
      let text = '';
      answer.setEncoding('utf8');
      answer.on('data', (piece: string) => (text += piece));
      answer.on('end', () => {
        call.destroy();
        resolve({ status: answer.statusCode, text });
      });
    });
    call.on('error', reject);
    call.flushHeaders();
  });

test('an upload that is too large or not whole is refused, and the book stays as it was', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/axes`);
  const small = await page.evaluate(
    async () => (await fetch('/api/captures', { method: 'POST', body: new Uint8Array(10) })).status,
  );
  expect(small).toBe(400);
  const large = await announced(`${server.url}/api/captures`, 65 * 1024 * 1024);
  expect(large.status).toBe(413);
  expect(large.text).toMatch(/larger than 64 MB/);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/The brake drags/);
});

test.describe('an empty book', () => {
  test.use({ book: 'empty' });

  test('starts the job, and a simulated rig can be taken', async ({ page, server }) => {
    await page.goto(server.url);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Press any pedal/);
    await page.getByRole('button', { name: 'Take Wren' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('The brake is not measured yet');
    for (const [station, says] of [
      ['Shape', 'The brake curve'],
      ['Ready', /things, then drive|left of/],
      ['Ride', 'No laps yet on this combination'],
      ['Verdict', 'What do you want to know?'],
    ] as const) {
      await page
        .getByRole('navigation', { name: 'Road' })
        .getByRole('link', { name: new RegExp(`^${station}`) })
        .click();
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(says);
    }
  });
});
