import { readFileSync } from 'node:fs';
import type { APIResponse, BrowserContext, Locator, Page } from '@playwright/test';
import { unzipSync, strFromU8 } from 'fflate';
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

test('did it change anything: planned, ridden in a drawn order, answered, kept', async ({ page, server }) => {
  await ask(page, server.url, 'Did it change anything', 'title/brake/deadzone');
  await page.getByLabel('B', { exact: true }).fill('4');
  await page.getByLabel('B', { exact: true }).blur();
  await page.getByRole('group', { name: 'Pairs' }).getByRole('button', { name: '2', exact: true }).click();
  await page
    .getByRole('group', { name: 'Laps a ride' })
    .getByRole('button', { name: '2', exact: true })
    .click();
  await expect(next(page)).toContainText(/2 pairs of 2 laps a ride, about \d+ minutes/);
  await expectAccessible(page, 'plan');
  await next(page).getByRole('button', { name: 'Start' }).click();
  const sides: string[] = [];
  for (const ride of [1, 2, 3, 4]) {
    await expect(heading(page)).toHaveText(new RegExp(`^Ride ${ride} of 4: [AB], Brake ebb [04], 2 laps$`));
    sides.push((await heading(page).textContent())!.slice(13, 14));
    // What is broken off in the middle goes on where it was.
    if (ride === 3) await page.reload();
    await next(page).getByRole('button', { name: 'Ride 2 laps' }).click();
  }
  expect(sides.toSorted().join('')).toBe('AABB');
  await expect(heading(page)).toContainText('With B');
  await expect(heading(page)).toContainText('the brake no longer drags');
  await expect(page).toHaveURL(/show=/);
  const along = page.getByRole('region', { name: 'Along the road' });
  await expect(along.getByText(/is told from 6 pairs on/)).toBeVisible();
  await along.getByRole('button', { name: 'Brake' }).click();
  await expect(along.getByRole('img', { name: /Saltmarsh Loop from above/ })).toBeVisible();
  await expect(page.locator('[data-drawn]').first()).toBeVisible();
  await expectAccessible(page, 'answer');
  const trail = page.getByRole('region', { name: 'Trail' });
  await expect(trail.getByRole('button', { name: /^Did it change anything\? Ride \d, [AB]/ })).toHaveCount(4);
  // The ride that was A before stays A.
  await expect(trail.getByRole('button', { name: /^Ride A, 3 laps/ })).toBeVisible();
  await next(page).getByRole('button', { name: 'Keep B' }).click();
  await expect(trail.getByRole('button', { name: /^Change: Brake ebb 0 → 4/ })).toBeVisible();
  await page.goto(`${server.url}/verdict`);
  await expect(page.getByRole('region', { name: 'Answered before' }).getByRole('link')).toContainText(
    'Kept.',
  );
  await expectAccessible(page, 'start');
});

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
  let saving: Promise<APIResponse> | null = null;
  for (let ride = 1; ; ride++) {
    values.push(await load(helper, ride));
    await expect(heading(page)).toHaveText(`Ride ${ride}: drive`);
    await next(page).getByRole('button', { name: 'Driven' }).click();
    if (ride % 2 === 1) continue;
    await expect(heading(page)).toHaveText('Which of the two was B?');
    if (ride === 2) {
      await expectAccessible(page, 'answer of a pair');
      // Saved as it is now, in the middle of the test; all of it takes its time beside two windows.
      saving = page.request.get(`${server.url}/api/backup`, { timeout: 400_000 });
    }
    await page
      .getByRole('group', { name: 'How sure' })
      .getByRole('button', { name: 'Sure', exact: true })
      .click();
    // The test knows the order; the driver feels it.
    await next(page)
      .getByRole('button', { name: values[ride - 2] === '12' ? 'The first' : 'The second' })
      .click();
    if (ride === 10) break;
    await expect(heading(page)).toHaveText(`Ride ${ride + 1}: your helper is loading`);
  }
  const texts = await seen();
  const last = texts.length;
  await expect(heading(page)).toContainText('You can tell: 5 of 5 right');
  await expect(heading(helper)).toContainText('the test is over');
  const check = next(page).getByText(/^SHA-256 of/);
  const [, orders, salt] = /SHA-256 of ([AB,]+):([0-9a-f]{32})/.exec((await check.textContent())!)!;
  const driven = values.map((value) => (value === '12' ? 'B' : 'A')).join('');
  expect(orders!.replaceAll(',', '').slice(0, 10)).toBe(driven);
  await expect(
    page.getByText('The orders are those that were promised before the first ride.'),
  ).toBeVisible();
  const zip = unzipSync(await (await saving!).body());
  const backup = [...Object.keys(zip), strFromU8(zip['book.json']!)].join('\n');
  expect(backup).toContain('"commitment"');
  // All that was seen before the last answer, and the backup of the middle: neither salt nor order is in it.
  expect(last).toBeGreaterThan(50);
  const spellings = [salt!, orders!, JSON.stringify(orders!.split(',')), orders!.split(',').join('","')];
  for (const text of [...texts, backup])
    for (const spelling of spellings) expect(text.includes(spelling)).toBe(false);
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

/** Goes there with Tab alone and presses Enter, as somebody without a mouse does. */
async function byKeyboard(page: Page, target: Locator) {
  const isThere = () => target.evaluate((element) => element === document.activeElement);
  await expect(target).toBeEnabled();
  for (let tabs = 0; tabs < 90 && !(await isThere()); tabs++) await page.keyboard.press('Tab');
  await expect(target).toBeFocused();
  await page.keyboard.press('Enter');
}

test('where is the best value: led from ride to ride by keyboard alone to an interval, and all of it in one picture', async ({
  page,
  server,
}) => {
  await ask(page, server.url, 'Where is the best value', 'title/brake/deadzone');
  await page.getByLabel('to', { exact: true }).fill('60');
  await page.getByLabel('to', { exact: true }).blur();
  const button = (name: string) => next(page).getByRole('button', { name, exact: true });
  await byKeyboard(page, button('Start'));
  let before: number | null = null;
  for (let ride = 1; ride <= 24; ride++) {
    await expect(heading(page)).toHaveText(new RegExp(`^(Ride ${ride}: Brake ebb|Your best)`));
    const text = (await heading(page).textContent())!;
    if (text.startsWith('Your best')) break;
    const value = Number(/ebb ([\d.]+)/.exec(text)![1]);
    await byKeyboard(page, button('Driven'));
    await expect(heading(page)).toHaveText('How was it?');
    if (before !== null) {
      const isBetter = Math.abs(value - 22) < Math.abs(before - 22);
      await byKeyboard(page, button(isBetter ? 'Better' : 'The one before was better'));
    }
    await byKeyboard(page, button(value < 22 ? 'More' : 'Less'));
    if (ride === 2) await expectAccessible(page, 'feel');
    await byKeyboard(page, button('Say so'));
    before = value;
  }
  await expect(heading(page)).toHaveText(
    /^Your best brake ebb lies between \d+ and \d+; inside that you can’t tell them apart$/,
  );
  const [, low, high] = /between (\d+) and (\d+)/.exec((await heading(page).textContent())!)!;
  expect(Number(low)).toBeLessThanOrEqual(22);
  expect(Number(high)).toBeGreaterThanOrEqual(22);
  await expectAccessible(page, 'search');

  await byKeyboard(page, next(page).getByRole('link', { name: 'All about this setting' }));
  await expect(heading(page)).toHaveText(`Brake ebb: your best lies between ${low} and ${high}`);
  await expect(
    page.getByText(/^What you just notice, three times in four, is about [\d.]+ of brake ebb/),
  ).toBeVisible();
  await expect(
    page.getByRole('img', { name: 'Every question about brake ebb, over its values' }),
  ).toBeVisible();
  await expectAccessible(page, 'what is known of a setting');
  // What is hardly noticed is said where it would be asked.
  await next(page).getByRole('link', { name: 'Did it change anything?' }).click();
  await expect(page.getByLabel('Setting', { exact: true })).toHaveValue('title/brake/deadzone');
  await page.getByLabel('A', { exact: true }).fill('10');
  await page.getByLabel('B', { exact: true }).fill('11');
  await page.getByLabel('B', { exact: true }).blur();
  await expect(
    page.getByText(/^By your own answers you hardly notice less than [\d.]+ here\.$/),
  ).toBeVisible();
});

test('what does this one do, which do I like, and alone with files: from plan to answer', async ({
  page,
  server,
  context,
}) => {
  await ask(page, server.url, 'What does this one do', 'title/brake/deadzone');
  await page.getByLabel('At its most').fill('30');
  await page.getByLabel('At its most').blur();
  await page.getByRole('button', { name: 'The simulated driver' }).click();
  await page
    .getByRole('group', { name: 'Laps a ride' })
    .getByRole('button', { name: '1', exact: true })
    .click();
  await next(page).getByRole('button', { name: 'Start' }).click();
  for (const [ride, value] of ['0', '30', '0'].entries()) {
    await expect(heading(page)).toHaveText(`Ride ${ride + 1} of 3: Brake ebb ${value}, 1 lap`);
    await next(page).getByRole('button', { name: 'Ride 1 lap' }).click();
  }
  await expect(heading(page)).toHaveText(
    'Brake ebb at 0 and at 30, one ride each: it shows the direction, not more',
  );
  await expect(page.getByRole('table', { name: 'What changed from ride to ride' })).toBeVisible();

  await ask(page, server.url, 'Which do I like', 'title/brake/deadzone');
  await next(page).getByRole('button', { name: 'Start' }).click();
  const helper = await openHelper(page, context);
  for (const ride of [1, 2]) {
    await load(helper, ride);
    await expect(next(page).getByRole('button', { name: 'Driven' })).toBeEnabled();
    if (ride === 1) await next(page).getByRole('button', { name: 'Crashed or was held up' }).click();
    await next(page).getByRole('button', { name: 'Driven' }).click();
    await expect(heading(page)).toHaveText(
      ride === 1 ? 'Ride 2: your helper is loading' : 'Which was better?',
    );
  }
  await next(page).getByRole('button', { name: 'I noticed otherwise' }).click();
  await expect(heading(page)).toHaveText('Ride 3: your helper is loading');
  await expect(page.getByText('Pair 2 of at most 16, 1 went wrong and is not counted.')).toBeVisible();
  await next(page).getByRole('button', { name: 'Give up' }).click();
  await expect(heading(page)).toHaveText('Given up after one pair: nothing is shown');

  // Alone: two files of the title, handed back one by one under a name that says nothing.
  await ask(page, server.url, 'Could I tell', 'title/brake/deadzone');
  await page.getByRole('button', { name: 'I am alone and load a file' }).click();
  await expect(next(page).getByRole('button', { name: 'Start' })).toBeDisabled();
  const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await page.getByLabel('File of A').setInputFiles(file('soft.ini', 'ebb = 0'));
  await page.getByLabel('File of B').setInputFiles(file('Hard One.INI', 'ebb = 12, hard'));
  await expectAccessible(page, 'plan with files');
  await next(page).getByRole('button', { name: 'Start' }).click();
  await expect(heading(page)).toHaveText('Ride 1: load its file');
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    next(page).getByRole('button', { name: 'Save the file of ride 1' }).click(),
  ]);
  expect(saved.suggestedFilename()).toBe('ride-1.ini');
  expect(readFileSync(await saved.path(), 'utf8')).toHaveLength('ebb = 12, hard'.length);
  await expect(heading(page)).toHaveText('Ride 1: drive');
  await next(page).getByRole('button', { name: 'Driven' }).click();
  await expect(heading(page)).toHaveText('Ride 2: load its file');
  await next(page).getByRole('button', { name: 'Give up' }).click();
  await expect(heading(page)).toContainText('Given up');
});
