import { choose, expect, fill, message, type Page, walksOn } from '../testing/walk';

const test = walksOn('begun');

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });

async function openCombination(page: Page, name: RegExp) {
  await page.goto('/combinations');
  await page.getByRole('button', { name }).click();
  await expect(page.getByRole('row', { name: /open$/ })).toBeVisible();
}

test('somebody’s numbers, made on a strong base in another title, are read, translated and taken over', async ({
  page,
}) => {
  await page.goto('/translate');
  await page.getByLabel('Written in').selectOption({ label: 'Millstone' });
  await page.getByLabel('Made on a base that is').selectOption('direct drive');
  await fill(page, 'of', 14);
  await fill(page, 'Loose, 0 to 20', 3);
  await fill(page, 'Full at, 0 to 20', 90);
  await expect(page.getByRole('status').filter({ hasText: 'Full at 90 is outside' })).toBeVisible();
  await fill(page, 'Full at, 0 to 20', 6);
  await expect(heading(page)).toHaveText('2 values need translating');
  await expect(
    next(page).getByText('Made on 14 N·m direct drive; yours is 5.5 N·m belt driven'),
  ).toBeVisible();
  // Three of twenty clicks, fifty to the whole way, are 6 %; six of twenty take half of 30 % off the end.
  await expect(page.getByText('Ebb 6, Flood 15, Swell 0')).toBeVisible();
  await next(page).getByLabel('Brake ebb (dead zone) translated').uncheck();
  await next(page).getByRole('button', { name: 'Take 1 of 2 over' }).click();
  await expect(page.getByRole('button', { name: 'Change: Brake flood 0 → 15' })).toBeVisible();

  // The same as a file: out of here, back in; a wrong one says where it is wrong and changes nothing.
  await page.getByRole('button', { name: 'Save mine' }).click();
  const profile = (await page.saved()).text;
  const open = (text: string) =>
    page
      .getByLabel('Profile to open')
      .setInputFiles({ name: 'x.profile.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await open(profile.replace('"version": 1', '"version": 3'));
  await expect(page.getByText(/Nothing was changed.*version 3; this program reads up to 1/)).toBeVisible();
  await open(profile);
  await expect(heading(page)).toHaveText('They mean what is set here already');
});

test('the rotation that disagrees in Hill & Hollow is found and cured, and the road says so', async ({
  page,
}) => {
  await openCombination(page, /^Open Gannet in Hill.*Noon shift/);
  const lock = page.getByRole('link', { name: /^Lock/ });
  await expect(lock).toHaveAccessibleName('Lock, needs a look: 90° shows as 75°');
  await lock.click();
  await expect(heading(page)).toHaveText('A quarter turn shows as 75°: base and title disagree');
  await fill(page, 'The title shows', 108);
  await expect(page.getByText('The title believes 1296°: type 1080.')).toBeVisible();
  await next(page).getByRole('button', { name: 'Apply all 2' }).click();
  // The base was measured before it was set: that it turns so is said, and not called measured.
  await expect(heading(page)).toHaveText(
    'Base, title and car agree: 90° shows as 90°, if the base turns 380°: it is not measured',
  );
  await expect(lock).toHaveAccessibleName('Lock, under way: 380° as it is set, not measured');

  // On a branch something else is tried; the main one keeps what it has, and the two are compared.
  await page.goto('/combinations');
  await fill(page, 'Name of the branch', 'one for all');
  await next(page).getByRole('button', { name: 'Branch off' }).click();
  await expect(page.getByRole('link', { name: 'one for all' })).toBeVisible();
  await page.goto('/lock');
  await page.getByRole('textbox', { name: 'Base: wingspan, number' }).fill('900');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByRole('button', { name: /Change: Steering wingspan on the base 380 → 900/ }),
  ).toBeVisible();
  await page.goto('/combinations');
  await page
    .getByRole('button', {
      name: 'Compare with Gannet in Hill & Hollow with the Spindrift H4, Noon shift',
      exact: true,
    })
    .click();
  await expect(heading(page)).toHaveText('1 setting differs');
  await expect(page.getByRole('row', { name: /Steering wingspan on the base.*900.*380/ })).toBeVisible();

  // Any moment of the trail comes back.
  await page.getByRole('button', { name: 'Change: Steering rotation 900 → 380', exact: true }).click();
  await page.getByRole('button', { name: 'All as it was then' }).click();
  await expect(heading(page)).toHaveText('The two are set alike');
});

test('the card is typed in from the seat, and stale after a change', async ({ page }) => {
  await page.goto('/card');
  await page.getByRole('link', { name: 'One value at a time' }).click();
  // What changed comes first: a handful. What stands at its neutral is asked about once.
  const typeIn = async (from: number, ending: string) => {
    const place = page.getByText(/^\d+ of \d+/);
    const values = Number((await place.textContent())!.match(/of (\d+)/)![1]);
    for (let i = from; i <= values; i++) {
      await expect(page.getByText(`${i} of ${values}${ending}`, { exact: true })).toBeVisible();
      await page.keyboard.press('y');
    }
    return values;
  };
  const changed = await typeIn(1, ' that changed');
  expect(changed).toBeLessThan(10);
  await expect(heading(page)).toHaveText(/^The other \d+: each at its neutral\?$/);
  await expect(page.getByText('left paddle: walk through all')).toBeVisible();
  await page.keyboard.press('n');
  expect(await typeIn(changed + 1, '')).toBeGreaterThan(30);
  await expect(heading(page)).toHaveText('The card is typed in');
  await page.getByRole('link', { name: 'Leave the seat' }).click();
  await expect(heading(page)).toHaveText('Title and base hold what the card says');

  await page.goto('/shape');
  await next(page)
    .getByRole('button', { name: /^Apply: Brake ebb/ })
    .click();
  const card = page.getByRole('link', { name: /^Card/ });
  await expect(card).toHaveAccessibleName('Card, needs a look: Changed since it was typed in');
  await card.click();
  await expect(page.getByText('Changed since it was typed in: brake ebb.')).toBeVisible();
});

test('a calm throttle for a strong car comes with a plan back to linear', async ({ page }) => {
  await page.goto('/');
  await choose(page, 'Car', 'Fenwick Six');
  await page.goto('/shape/throttle');
  await expect(next(page).getByText('A calm throttle for the Fenwick Six')).toBeVisible();
  await next(page).getByRole('button', { name: 'Try swell 50' }).click();
  await next(page).getByRole('button', { name: 'Keep', exact: true }).click();
  await next(page).getByRole('button', { name: 'Begin the plan' }).click();
  await expect(next(page).getByText(/Next on the way to linear: swell \d+/)).toBeVisible();
  await expect(next(page).getByText(/Not before \d+ /)).toBeVisible();
  await next(page).getByRole('button', { name: 'End the plan' }).click();
  await expect(next(page).getByText('The way back to linear')).toBeVisible();
});

test('a form says beside the field what is wrong, and what was written is not left behind unasked', async ({
  page,
}) => {
  await page.goto('/rig');
  const torque = page.getByLabel('Rated torque');
  await torque.fill('900');
  await torque.press('Enter');
  await expect(page.getByText('It must be at most 60.')).toBeVisible();
  await expect(torque).toHaveAttribute('aria-invalid', 'true');
  // By a link, by a key, by another combination: each asks first.
  const dialog = page.getByRole('alertdialog', { name: 'What you wrote of the rig is not kept yet' });
  const stay = async () => {
    await dialog.getByRole('button', { name: 'Stay here' }).click();
    await expect(dialog).toBeHidden();
  };
  await page
    .getByRole('navigation', { name: 'Road' })
    .getByRole('link', { name: /^Shape/ })
    .click();
  await stay();
  await page.locator('main').focus();
  await page.keyboard.press('4');
  await stay();
  await page.getByRole('button', { name: /^Car: / }).click();
  await page.getByRole('menuitemradio', { name: 'Fenwick Six' }).click();
  await stay();
  await expect(torque).toHaveValue('900');
  await torque.fill('9,5');
  await torque.press('Enter');
  await expect(message(page, 'Tern is written down')).toBeVisible();
  await expect(page.getByText('It must be at most 60.')).toBeHidden();
  // What is kept is free to leave; what is not is left behind when that is said.
  await page.getByLabel('Delay').fill('12');
  await page.getByLabel('Delay').press('Tab');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Compare, branch');
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Leave it behind' }).click();
  await expect(page).toHaveURL(/combinations/);
  await page.goto('/rig');
  await expect(torque).toHaveValue('9.5');
  await expect(page.getByLabel('Delay')).toHaveValue('7');
});

test('what is tried belongs to one combination: another car, or a branch, begins from what is kept there', async ({
  page,
}) => {
  await page.goto('/shape');
  const swell = page.getByRole('textbox', { name: 'Swell, number' });
  await swell.fill('30');
  await swell.press('Enter');
  await expect(next(page).getByRole('button', { name: 'Keep', exact: true })).toBeVisible();
  await choose(page, 'Car', 'Fenwick Six');
  await expect(swell).toHaveValue('0');
  await expect(next(page).getByRole('button', { name: 'Keep', exact: true })).toBeHidden();

  // On the same car a branch is another combination as well.
  await page.goto('/force?part=strength');
  const heft = page.getByRole('textbox', { name: 'Heft, number', exact: true });
  const kept = await heft.inputValue();
  await heft.fill('20');
  await heft.press('Enter');
  await choose(page, 'Car', 'Marl 850');
  await expect(heft).not.toHaveValue('20');
  await choose(page, 'Car', 'Fenwick Six');
  await expect(heft).toHaveValue(kept);
});

test('“not for me” is remembered, and what was waved away can be proposed again', async ({ page }) => {
  await page.goto('/shape');
  await next(page)
    .getByRole('button', { name: /^Not for me: Brake ebb/ })
    .click();
  await expect(next(page).getByRole('button', { name: /^Apply: Brake ebb/ })).toBeHidden();
  await page.reload();
  await expect(next(page).getByText('One proposal is not for you.')).toBeVisible();
  await expect(next(page).getByRole('button', { name: /^Apply: Brake ebb/ })).toBeHidden();
  await next(page).getByRole('button', { name: 'Propose again' }).click();
  await expect(next(page).getByRole('button', { name: /^Apply: Brake ebb/ })).toBeVisible();
});
