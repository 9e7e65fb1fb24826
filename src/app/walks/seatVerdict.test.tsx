import { expect, expectAccessible, type Page, press, prompt, walksOn } from '../testing/walk';

const test = walksOn('few');

/** Passes over the questions before the one that is wanted, and asks it. */
async function choose(page: Page, ...passed: string[]) {
  await page.goto('/seat?do=verdict');
  for (const question of passed.slice(0, -1)) {
    await expect(prompt(page)).toHaveText(question);
    await press(page, 'No');
  }
  await expect(prompt(page)).toHaveText(passed.at(-1)!);
  await press(page, 'Yes');
}

const CHANGE = 'Did it change anything?';
const TELL = 'Could I tell?';
const LIKE = 'Which do I like?';
const BEST = 'Where is the best value?';
const WHAT = 'What does this one do?';

test('from the seat by the rim’s buttons alone: what a setting does', async ({ page }) => {
  await choose(page, CHANGE, TELL, LIKE, BEST, WHAT);
  for (const ride of [1, 2, 3]) {
    await expect(prompt(page)).toHaveText(new RegExp(`^Ride ${ride} of 3: Calming \\d+$`));
    await press(page, 'Yes');
  }
  await expect(prompt(page)).toHaveText(
    /^Calming at 0 and at \d+, one ride each: it shows the direction, not more$/,
  );
  await press(page, 'Yes');
  await expect(page).toHaveURL(/\/verdict\?show=/);
  await expect(page.getByRole('table', { name: 'What changed from ride to ride' })).toBeVisible();
});

test.long('from the seat by the rim’s buttons alone: a change', async ({ page }) => {
  await choose(page, CHANGE);
  for (let ride = 1; ride <= 8; ride++) {
    await expect(prompt(page)).toHaveText(new RegExp(`^Ride ${ride} of 8: Calming (0|30)$`));
    if (ride === 1) await expectAccessible(page, 'seat ride');
    await press(page, 'Yes');
  }
  // The base lets no damping through: the slider that was moved does nothing. In one order of twenty a measure differs all
  // the same by 5 % over all measures: that is the rate at which such an answer may err, and the order is drawn anew each time.
  await expect(prompt(page)).toHaveText(
    /^(No difference shown: if a lap differs, by less than \d\.\d\d s|With B .+ instead of .+)$/,
  );
  await expectAccessible(page, 'seat answer');
  await press(page, 'No');
  await expect(prompt(page)).toHaveText('That was all');
});

test.long('from the seat by the rim’s buttons alone: where its best lies', async ({ page }) => {
  await choose(page, CHANGE, TELL, LIKE, BEST);
  let before: number | null = null;
  for (let ride = 1; ride <= 24; ride++) {
    await expect(prompt(page)).toHaveText(new RegExp(`^(Ride ${ride}: load|Your best)`));
    const text = (await prompt(page).textContent())!;
    if (text.startsWith('Your best')) break;
    const value = Number(/Calming (\d+)/.exec(text)![1]);
    await press(page, 'Yes');
    if (before !== null) {
      await expect(prompt(page)).toHaveText('Was it better than the ride before?');
      await press(page, Math.abs(value - 20) < Math.abs(before - 20) ? 'Yes' : 'No');
    }
    await expect(prompt(page)).toHaveText('Would you have more calming?');
    await press(page, value < 20 ? 'Yes' : 'No');
    before = value;
  }
  await expect(prompt(page)).toHaveText(/^Your best calming lies between/);
  await press(page, 'Yes');
  await expect(prompt(page)).toHaveText('That was all');
  await press(page, 'Yes');
  await expect(page.getByRole('button', { name: /^Change: Calming 30 → \d+/ })).toBeVisible();
});

/** The helper's window of the question that is under way. */
async function helperOf(page: Page): Promise<string> {
  await page.goto('/verdict');
  return (await page.getByRole('link', { name: 'The helper’s window' }).getAttribute('href'))!;
}

/** The helper loads a ride, and the seat goes on where it was. */
async function load(page: Page, helper: string, ride: number): Promise<string> {
  await page.goto(helper);
  await expect(prompt(page)).toHaveText(`Ride ${ride}: load the neutral values`);
  await page.getByRole('button', { name: 'Loaded' }).click();
  await expect(prompt(page)).toHaveText(`Ride ${ride}: load these`);
  const value = (await page.getByRole('definition').textContent())!;
  await page.getByRole('button', { name: 'Loaded' }).click();
  await expect(prompt(page)).toHaveText(`Ride ${ride} is loaded. The driver drives`);
  await page.goto('/seat?do=verdict');
  return value;
}

/** Two rides of a pair, each loaded by the helper; gives which of them was B. */
async function pairOf(page: Page, helper: string, pair: number, b: string): Promise<'first' | 'second'> {
  const values: string[] = [];
  for (const ride of [2 * pair - 1, 2 * pair]) {
    values.push(await load(page, helper, ride));
    await expect(prompt(page)).toHaveText(`Ride ${ride}: drive`);
    await press(page, 'Yes');
    await expect(prompt(page)).not.toHaveText(`Ride ${ride}: drive`);
  }
  return values[0] === b ? 'first' : 'second';
}

test('blind from the seat, with a helper: could I tell, which do I like', async ({ page }) => {
  await choose(page, CHANGE, TELL);
  await expect(prompt(page)).toHaveText('Ride 1: your helper is loading');
  const helper = await helperOf(page);
  await pairOf(page, helper, 1, '30');
  await expect(prompt(page)).toHaveText('Can you say which was B?');
  await press(page, 'No');
  await expect(prompt(page)).toHaveText('Did something else tell you which it was?');
  await press(page, 'Yes');
  for (const pair of [2, 3]) {
    const was = await pairOf(page, helper, pair, '30');
    await expect(prompt(page)).toHaveText('Can you say which was B?');
    await press(page, 'Yes');
    await expect(prompt(page)).toHaveText('Was the second one B?');
    // Wrong both times: then it is out of reach.
    await press(page, was === 'first' ? 'Yes' : 'No');
  }
  await expect(prompt(page)).toHaveText(/^Not shown: 0 of 2 right/);
  await press(page, 'No');
  await expect(prompt(page)).toHaveText('That was all');

  await choose(page, CHANGE, TELL, LIKE);
  const second = await helperOf(page);
  // Seven pairs would show it; that they do is told where no ride has to be driven (core/experiment, book/write).
  for (let pair = 1; pair <= 2; pair++) {
    // What was put back is the change that was made last: B is what it was put back to.
    const b = await pairOf(page, second, pair, '0');
    await expect(prompt(page)).toHaveText('Can you say which was better?');
    await press(page, 'Yes');
    await expect(prompt(page)).toHaveText('Was the second one better?');
    await press(page, b === 'second' ? 'Yes' : 'No');
  }
  await expect(prompt(page)).toHaveText('Ride 5: your helper is loading');
});
