import type { BrowserContext, Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { expect, test } from './fixtures';

test.use({ book: 'few' });

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });

async function ask(page: Page, url: string, question: string, setting: string) {
  await page.goto(`${url}/verdict`);
  await page
    .getByRole('link', { name: new RegExp(`^${question}`) })
    .first()
    .click();
  await page.getByLabel('Setting', { exact: true }).selectOption(setting);
}

/** Everything that reaches the driver's window: pages, requests, answers, what the console says, what is stored. */
function watch(page: Page) {
  const seen: string[] = [];
  page.on('console', (message) => seen.push(message.text()));
  page.on('request', (request) => seen.push(request.url(), request.postData() ?? ''));
  page.on('response', (response) => {
    seen.push(JSON.stringify(response.headers()));
    void response.text().then(
      (text) => seen.push(text),
      () => undefined,
    );
  });
  return async () => {
    const stored = await page.evaluate(() =>
      JSON.stringify([
        { ...localStorage },
        { ...sessionStorage },
        document.cookie,
        document.title,
        document.documentElement.outerHTML,
      ]),
    );
    return [...seen, stored];
  };
}

/** The helper loads what their window says, twice for every ride; gives the value of the ride. */
async function load(helper: Page, ride: number): Promise<string> {
  await expect(heading(helper)).toHaveText(`Ride ${ride}: load the neutral values`);
  await helper.getByRole('button', { name: 'Loaded' }).click();
  await expect(heading(helper)).toHaveText(`Ride ${ride}: load these`);
  const value = (await helper.getByRole('definition').textContent())!;
  await helper.getByRole('button', { name: 'Loaded' }).click();
  await expect(heading(helper)).toHaveText(`Ride ${ride} is loaded. The driver drives`);
  return value;
}

test('could I tell: blind, with a helper at another window; nothing tells the order before the last answer', async ({
  page,
  server,
  context,
}) => {
  const seen = watch(page);
  await ask(page, server.url, 'Could I tell', 'title/brake/deadzone');
  await page.getByLabel('B', { exact: true }).fill('12');
  await page.getByLabel('B', { exact: true }).blur();
  await next(page).getByRole('button', { name: 'Start' }).click();
  await expect(heading(page)).toHaveText('Ride 1: your helper is loading');
  await expectAccessible(page, 'blind');
  await expect(next(page).getByRole('button', { name: 'Driven' })).toBeDisabled();
  const helper = await openHelper(page, context);
  const values: string[] = [];
  for (let ride = 1; ; ride++) {
    values.push(await load(helper, ride));
    await expect(heading(page)).toHaveText(`Ride ${ride}: drive`);
    await next(page).getByRole('button', { name: 'Driven' }).click();
    if (ride % 2 === 1) continue;
    await expect(heading(page)).toHaveText('Which of the two was B?');
    if (ride === 2) await expectAccessible(page, 'answer of a pair');
    // The test knows the order; the driver says the other one, twice: then it is out of reach.
    await next(page)
      .getByRole('button', { name: values[ride - 2] === '12' ? 'The second' : 'The first' })
      .click();
    if (ride === 4) break;
    await expect(heading(page)).toHaveText(`Ride ${ride + 1}: your helper is loading`);
  }
  const texts = await seen();
  const last = texts.length;
  await expect(heading(page)).toContainText('Not shown: 0 of 2 right');
  await expect(heading(helper)).toContainText('the test is over');
  const check = next(page).getByText(/^SHA-256 of/);
  const [, orders, salt] = /SHA-256 of ([AB,]+):([0-9a-f]{32})/.exec((await check.textContent())!)!;
  const driven = values.map((value) => (value === '12' ? 'B' : 'A')).join('');
  expect(orders!.replaceAll(',', '').slice(0, 4)).toBe(driven);
  await expect(
    page.getByText('The orders are those that were promised before the first ride.'),
  ).toBeVisible();
  // All that was seen before the last answer: neither salt nor order is in it (of a backup: book/write/blind.test).
  expect(last).toBeGreaterThan(50);
  const spellings = [salt!, orders!, JSON.stringify(orders!.split(',')), orders!.split(',').join('","')];
  for (const text of texts) for (const spelling of spellings) expect(text.includes(spelling)).toBe(false);
  await expectAccessible(page, 'blind answer');
});

async function openHelper(page: Page, context: BrowserContext): Promise<Page> {
  const [helper] = await Promise.all([
    context.waitForEvent('page'),
    page.getByRole('link', { name: 'The helper’s window' }).click(),
  ]);
  // It opens when the page's own code listens; half open, its colours would be read as neither.
  await expect(helper.getByRole('button', { name: 'Loaded' })).toHaveCSS('opacity', '1');
  await expectAccessible(helper, 'helper');
  return helper;
}
