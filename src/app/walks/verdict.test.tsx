import type { Locator } from '../testing/locator';
import { expect, expectAccessible, type Page, walksOn } from '../testing/walk';

const test = walksOn('few');

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });

async function ask(page: Page, question: string, setting: string) {
  await page.goto('/verdict');
  await page
    .getByRole('link', { name: new RegExp(`^${question}`) })
    .first()
    .click();
  await page.getByLabel('Setting', { exact: true }).selectOption(setting);
}

async function say(page: Page, label: string, value: number) {
  await page.getByLabel(label, { exact: true }).fill(String(value));
  await page.getByLabel(label, { exact: true }).blur();
}

const choose = (page: Page, group: string, value: number) =>
  page
    .getByRole('group', { name: group })
    .getByRole('button', { name: String(value), exact: true })
    .click();

test('did it change anything: planned, ridden in a drawn order, answered, kept', async ({ page }) => {
  await ask(page, 'Did it change anything', 'title/brake/deadzone');
  await say(page, 'B', 4);
  await choose(page, 'Pairs', 2);
  await choose(page, 'Laps a ride', 2);
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
  await page.goto('/verdict');
  await expect(page.getByRole('region', { name: 'Answered before' }).getByRole('link')).toContainText(
    'Kept.',
  );
  await expectAccessible(page, 'start');
});

/** The helper loads what their window says, twice for every ride; the driver's window goes on where it was. */
async function load(page: Page, helper: string, ride: number): Promise<string> {
  await page.goto(helper);
  await expect(heading(page)).toHaveText(`Ride ${ride}: load the neutral values`);
  await page.getByRole('button', { name: 'Loaded' }).click();
  await expect(heading(page)).toHaveText(`Ride ${ride}: load these`);
  const value = (await page.getByRole('definition').textContent())!;
  await page.getByRole('button', { name: 'Loaded' }).click();
  await expect(heading(page)).toHaveText(`Ride ${ride} is loaded. The driver drives`);
  await page.goto('/verdict');
  return value;
}

test.long('could I tell, with a helper: five of five right show it', async ({ page }) => {
  await ask(page, 'Could I tell', 'title/brake/deadzone');
  await say(page, 'B', 12);
  await next(page).getByRole('button', { name: 'Start' }).click();
  await expect(heading(page)).toHaveText('Ride 1: your helper is loading');
  const helper = (await page.getByRole('link', { name: 'The helper’s window' }).getAttribute('href'))!;
  const values: string[] = [];
  for (let ride = 1; ride <= 10; ride++) {
    values.push(await load(page, helper, ride));
    await expect(heading(page)).toHaveText(`Ride ${ride}: drive`);
    await next(page).getByRole('button', { name: 'Driven' }).click();
    await expect(heading(page)).not.toHaveText(`Ride ${ride}: drive`);
    if (ride % 2 === 1) continue;
    await page
      .getByRole('group', { name: 'How sure' })
      .getByRole('button', { name: 'Sure', exact: true })
      .click();
    await next(page)
      .getByRole('button', { name: values[ride - 2] === '12' ? 'The first' : 'The second' })
      .click();
    if (ride < 10) await expect(heading(page)).toHaveText(`Ride ${ride + 1}: your helper is loading`);
  }
  await expect(heading(page)).toContainText('You can tell: 5 of 5 right');
  await expect(
    page.getByText('The orders are those that were promised before the first ride.'),
  ).toBeVisible();
});

/** Without the mouse: it can be reached, and Enter presses it. */
async function byKeyboard(target: Locator) {
  await expect(target).toBeEnabled();
  await target.focus();
  await expect(target).toBeFocused();
  await target.press('Enter');
}

test('where is the best value: led from ride to ride by keyboard alone to an interval, and all of it in one picture', async ({
  page,
}) => {
  await ask(page, 'Where is the best value', 'title/brake/deadzone');
  await say(page, 'to', 60);
  const button = (name: string) => next(page).getByRole('button', { name, exact: true });
  await byKeyboard(button('Start'));
  let before: number | null = null;
  for (let ride = 1; ride <= 24; ride++) {
    await expect(heading(page)).toHaveText(new RegExp(`^(Ride ${ride}: Brake ebb|Your best)`));
    const text = (await heading(page).textContent())!;
    if (text.startsWith('Your best')) break;
    const value = Number(/ebb ([\d.]+)/.exec(text)![1]);
    await byKeyboard(button('Driven'));
    await expect(heading(page)).toHaveText('How was it?');
    if (before !== null) {
      const isBetter = Math.abs(value - 22) < Math.abs(before - 22);
      await byKeyboard(button(isBetter ? 'Better' : 'The one before was better'));
    }
    await byKeyboard(button(value < 22 ? 'More' : 'Less'));
    if (ride === 2) await expectAccessible(page, 'feel');
    await byKeyboard(button('Say so'));
    before = value;
  }
  await expect(heading(page)).toHaveText(
    /^Your best brake ebb lies between \d+ and \d+; inside that you can’t tell them apart$/,
  );
  const [, low, high] = /between (\d+) and (\d+)/.exec((await heading(page).textContent())!)!;
  expect(Number(low)).toBeLessThanOrEqual(22);
  expect(Number(high)).toBeGreaterThanOrEqual(22);
  await expectAccessible(page, 'search');

  await byKeyboard(next(page).getByRole('link', { name: 'All about this setting' }));
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
  await say(page, 'B', 11);
  await expect(
    page.getByText(/^By your own answers you hardly notice less than [\d.]+ here\.$/),
  ).toBeVisible();
});

test('what does this one do, which do I like, and alone with files: from plan to answer', async ({
  page,
}) => {
  await ask(page, 'What does this one do', 'title/brake/deadzone');
  await say(page, 'At its most', 30);
  await page.getByRole('button', { name: 'The simulated driver' }).click();
  await choose(page, 'Laps a ride', 1);
  await next(page).getByRole('button', { name: 'Start' }).click();
  for (const [ride, value] of ['0', '30', '0'].entries()) {
    await expect(heading(page)).toHaveText(`Ride ${ride + 1} of 3: Brake ebb ${value}, 1 lap`);
    await next(page).getByRole('button', { name: 'Ride 1 lap' }).click();
  }
  await expect(heading(page)).toHaveText(
    'Brake ebb at 0 and at 30, one ride each: it shows the direction, not more',
  );
  await expect(page.getByRole('table', { name: 'What changed from ride to ride' })).toBeVisible();

  await ask(page, 'Which do I like', 'title/brake/deadzone');
  await next(page).getByRole('button', { name: 'Start' }).click();
  const helper = (await page.getByRole('link', { name: 'The helper’s window' }).getAttribute('href'))!;
  for (const ride of [1, 2]) {
    await load(page, helper, ride);
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
  await ask(page, 'Could I tell', 'title/brake/deadzone');
  await page.getByRole('button', { name: 'I am alone and load a file' }).click();
  await expect(next(page).getByRole('button', { name: 'Start' })).toBeDisabled();
  const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await page.getByLabel('File of A').setInputFiles(file('soft.ini', 'ebb = 0'));
  await page.getByLabel('File of B').setInputFiles(file('Hard One.INI', 'ebb = 12, hard'));
  await expectAccessible(page, 'plan with files');
  await next(page).getByRole('button', { name: 'Start' }).click();
  await expect(heading(page)).toHaveText('Ride 1: load its file');
  await next(page).getByRole('button', { name: 'Save the file of ride 1' }).click();
  const saved = await page.saved();
  expect(saved.name).toBe('ride-1.ini');
  expect(saved.text).toHaveLength('ebb = 12, hard'.length);
  await expect(heading(page)).toHaveText('Ride 1: drive');
  await next(page).getByRole('button', { name: 'Driven' }).click();
  await expect(heading(page)).toHaveText('Ride 2: load its file');
  await next(page).getByRole('button', { name: 'Give up' }).click();
  await expect(heading(page)).toContainText('Given up');
});
