import { expect, expectAccessible, fill, message, walksOn } from '../testing/walk';

const test = walksOn('begun');

test('what one described is handed on in one file, and another book says item by item what it would change', async ({
  page,
  otherBook,
}) => {
  // Described here: a title, a car, a road, the program of the base.
  await page.goto('/translate/describe');
  await page.getByLabel('What is it called?').fill('Low Ferry');
  await page
    .getByRole('textbox', { name: /^Type or paste its menu/ })
    .fill('Overall gain 70 0 100\nDamper 10 0 100');
  await page.getByRole('button', { name: 'Take these lines' }).click();
  await page.getByRole('button', { name: 'Keep this title' }).click();
  await expect(page.getByText('On the Tern in Low Ferry')).toBeVisible();
  await page.goto('/translate/describe?of=car');
  await fill(page, 'Called', 'Loft Special');
  await fill(page, 'Lock to lock', '400');
  await page.getByRole('button', { name: 'Keep this car' }).click();
  await expect(page).toHaveURL(/\/lock$/);
  await page.goto('/translate/describe?of=road');
  const lines = page.getByLabel(/A corner on each line/);
  await lines.fill('100 30 90 left\n100 30 90 left\n100 30 90 left\n100 30 90 left');
  await page.getByRole('button', { name: 'Lay these lines' }).click();
  await fill(page, 'Called', 'Loft Ring');
  await page.getByRole('button', { name: 'Keep this road' }).click();
  await expect(page).toHaveURL(/\/lock$/);
  await page.goto('/translate/share');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('3 things of your own to share');
  await page.getByRole('button', { name: 'Save all in one file' }).click();
  const text = (await page.saved()).text;

  // Another book.
  await otherBook();
  {
    const next = page.getByRole('region', { name: 'What to do next' });
    const open = (json: string) =>
      page
        .getByLabel('Open a .pack.json')
        .setInputFiles({ name: 'friend.pack.json', mimeType: 'application/json', buffer: Buffer.from(json) });
    await page.goto('/translate/share');
    await open(text.replace('"clothoidM"', '"clothoids"'));
    await expect(message(page, /Nothing was changed/)).toBeVisible();
    await open(text);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('The pack: 3 new');
    await next.getByRole('button', { name: 'Take over' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('All of it is here already');

    // The same once more, changed: what would become something else is listed before it does.
    await open(text.replace('"lockDeg": 400', '"lockDeg": 420'));
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('The pack: 1 other than it is here');
    const holds = page.getByRole('table', { name: 'What the pack holds' });
    await expect(
      holds.getByRole('row', { name: /Loft Special.*other than here.*lockDeg: 400 → 420/ }),
    ).toBeVisible();
    await expect(holds.getByRole('row', { name: /Low Ferry.*as it is here/ })).toBeVisible();
    await expectAccessible(page, 'a pack');
    await holds.getByRole('button', { name: 'Replace: Loft Special' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('All of it is here already');
    // Somebody else's base never comes with the rest: it would say what this rig is made of.
    const base = { name: 'Loft base', steering: [], axes: [], fields: [] };
    await open(text.replace('"base": null', `"base": ${JSON.stringify(base)}`));
    await expect(holds.getByRole('row', { name: /Loft base.*new here/ })).toBeVisible();
    await expect(next.getByRole('button', { name: 'Take over' })).toHaveCount(0);
    await holds.getByRole('button', { name: 'Put on this rig: Loft base' }).click();
    await expect(holds.getByRole('row', { name: /Loft base.*as it is here/ })).toBeVisible();
    // What came with it can be driven.
    await page.goto('/ride');
    await page.getByRole('button', { name: /^Title: / }).click();
    await expect(page.getByRole('menuitemradio', { name: 'Low Ferry' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByLabel('On the road')).toContainText('Loft Ring');
  }
});
