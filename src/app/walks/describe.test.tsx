import { expect, fill, json, message, type Page, walksOn } from '../testing/walk';

const test = walksOn('begun');

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });

test('a title that nobody knows is read off its screen, and driven in', async ({ page }) => {
  await page.goto('/translate/describe');
  await fill(page, 'What is it called?', 'Ferry Lane');
  await page.getByRole('button', { name: 'decimals 0 … 1' }).click();
  const put = async (label: string, value: number | string) => {
    await page.getByLabel(label, { exact: true }).fill(String(value));
    await page.getByLabel(label, { exact: true }).press('Tab');
  };
  // Its response, as somebody reads it: a start, an end point, and clicks of which more is livelier.
  const menus = [
    { was: 'Dead zone', name: 'Start', numbers: [0, 0.5, 0.01, 0], probe: 0.2, shows: [6, 38, 69] },
    { was: 'Saturation', name: 'End', numbers: [0.4, 1, 0.01, 1], probe: 0.8, shows: [31, 63, 94] },
    { was: 'Linearity', name: 'Snap', numbers: [0, 20, 1, 10], probe: 16, shows: [49, 70, 86] },
  ] as const;
  const at = { 'Dead zone': 7, Saturation: 8, Linearity: 9 };
  for (const { was, name, numbers, probe, shows } of menus) {
    await put(`Field ${at[was]}, label`, name);
    for (const [i, word] of ['lowest', 'highest', 'step', 'as it comes'].entries())
      await put(`${name}, ${word}`, numbers[i]!);
    await page.getByRole('button', { name: `${name}: more` }).click();
    await put('set it to', probe);
    for (const [i, input] of [25, 50, 75].entries()) await put(`pedal at ${input} %: shows`, shows[i]!);
    await page.getByRole('button', { name: `${name}: more` }).click();
  }
  const fields = page.getByRole('list', { name: 'Fields of the menu' });
  await expect(fields.getByText(/^Read: an amount: 1 would swallow all/)).toBeVisible();
  await expect(fields.getByText(/^Read: an end point: full at value\/1 /)).toBeVisible();
  await expect(
    fields.getByText(/^Read: an exponent that reaches [23](\.\d)? at its end; more is livelier/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Keep this title' }).click();
  await expect(message(page, 'Ferry Lane can be chosen as a title now')).toBeVisible();

  // It is open: the brake’s dead zone is recommended in the new title’s own numbers.
  await expect(page).toHaveURL(/\/shape$/);
  await next(page).getByRole('button', { name: 'Apply: Brake start 0 to 0.04' }).click();
  await expect(page.getByRole('button', { name: 'Change: Brake start 0 → 0.04' })).toBeVisible();

  // Its dead zone can't end before what is set in it.
  await page.goto('/translate/describe');
  await page.getByRole('link', { name: 'Ferry Lane' }).click();
  await put('Start, highest', 0.02);
  await page.getByRole('button', { name: 'Keep this title' }).click();
  await expect(message(page, /Start 0.04 is not what Ferry Lane takes/)).toBeVisible();
});

const TWELVE = `Overall gain 70 0 100
Minimum force 4 0 20
Damper 10 0 100
Centre spring 0 0 100
Road effect 35 0 100
Kerbs 40 0 100
Understeer cue 0 0 100
Wheel rotation 900 180 1440
Dead zone 0 0 50
Saturation 100 50 100
Linearity 1,00 0,50 3,00
Shaker 2 0 10`;

test('twelve fields of a title with force are described by keyboard alone', async ({ page }) => {
  await page.goto('/translate/describe');
  const keys = page.keyboard;
  await page.getByLabel('What is it called?').focus();
  await keys.type('Low Ferry');
  const lines = page.getByRole('textbox', { name: /^Type or paste its menu/ });
  while (lines.one() !== document.activeElement) await keys.press('Tab');
  await keys.type(TWELVE);
  await keys.press('Tab');
  await keys.press('Enter');
  // The first field has the keys; Enter keeps from every field.
  await expect(page.getByLabel('Field 1, label')).toBeFocused();
  await expect(page.getByLabel('Overall gain: what it does')).toHaveValue('gain');
  await keys.press('Enter');
  await expect(message(page, 'Low Ferry can be chosen as a title now')).toBeVisible();

  // What it stands at is on the trail, and the force is worked out from it.
  await expect(page.getByText('On the Tern in Low Ferry')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Change: Overall gain 100 → 70' })).toBeVisible();
  await page.goto('/force?part=balance');
  await expect(page.getByRole('slider', { name: 'Minimum force' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Kept, not computed' }).getByText('Shaker')).toBeVisible();
  // How strong its force is with this car nobody has said: no gain is advised.
  await expect(next(page).getByText(/^How strong is the force of the/)).toBeVisible();

  // The same in another book, out of a file.
  await page.goto('/translate/describe');
  await page.getByRole('link', { name: 'Low Ferry' }).click();
  // Its kerbs stay as strong when the gain is turned down: that goes into the file as well.
  const beside = page.getByRole('checkbox', { name: /^Stands beside the gain/ });
  await page.getByRole('button', { name: 'Kerbs: more' }).click();
  await beside.check();
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const { name, text } = await page.saved();
  await page.goto('/translate/describe');
  await page.getByLabel('or open a .title.json').setInputFiles(json(name, text));
  await expect(page.getByLabel('Field 12, label')).toHaveValue('Shaker');
  await page.getByRole('button', { name: 'Kerbs: more' }).click();
  await expect(beside).toBeChecked();

  // Or one that is much alike, copied and changed.
  await page.goto('/translate/describe');
  await page.getByText('Quick ways to its fields').waitFor();
  await page.getByLabel('or copy a title that is much alike').selectOption('Millstone');
  await expect(page.getByLabel('Field 1, label')).toHaveValue('Loose');
});

test('a car of which only the ratio is known says how much hangs on the rest', async ({ page }) => {
  await page.goto('/translate/describe?of=car');
  await fill(page, 'Called', 'Loft Special');
  await page.getByLabel('Most like a').selectOption('Single-seater');
  const bump = page.getByRole('row', { name: /^Bump stop/ });
  await expect(bump).toHaveText(/360°270 to 540°/);
  await fill(page, 'Lock to lock', '400');
  await expect(bump).toHaveText(/400°known/);
  await page.getByRole('button', { name: 'Keep this car' }).click();
  await expect(page).toHaveURL(/\/lock$/);
  await expect(page.getByText('On the Tern in Causeway with the Loft Special')).toBeVisible();
});

test('a base that nobody knows is described, and becomes a layer of its own', async ({ page }) => {
  await page.goto('/translate/describe?of=base');
  await expect(heading(page)).toHaveText('What the Tern’s base lets one set');
  await fill(page, 'What is it called?', 'Loft base');
  await page
    .getByRole('textbox', { name: /^Type or paste its menu/ })
    .fill(
      'Strength 80 0 100\nDamper of the title 100 0 100\nDamper 15 0 100\nSlack 0 0 20\nFence soft stop 5 0 10',
    );
  await page.getByRole('button', { name: 'Take these lines' }).click();
  await page.getByLabel('Slack: what it does').selectOption('Dead zone');
  await page.getByRole('button', { name: 'Slack: more' }).click();
  await page.getByLabel('Stands on').selectOption('pedals');
  await page.getByLabel('All of it would be at').fill('100');
  await page.getByLabel('All of it would be at').press('Tab');
  await page.getByRole('checkbox', { name: 'Brake', exact: true }).uncheck();
  await next(page).getByRole('button', { name: 'Keep this base' }).click();
  await expect(message(page, 'The Tern has these menus now')).toBeVisible();
  await expect(page.getByRole('slider', { name: 'Strength' })).toBeVisible();

  // How hard its stop has to be follows from what corners weigh.
  await page.goto('/force?part=balance');
  const stop = page.getByRole('region', { name: 'Kept, not computed' });
  await expect(stop.getByText(/From \d+\.\d N·m on it is felt as an end and not as a corner/)).toBeVisible();

  await page.goto('/shape/throttle');
  await page.getByRole('button', { name: 'Base: Loft base' }).click();
  await page.getByRole('slider', { name: 'Slack' }).press('PageUp');
  await page.getByRole('textbox', { name: 'Slack, number' }).fill('4');
  await page.keyboard.press('Enter');
  await next(page).getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Change: Throttle slack on the base 0 → 4' })).toBeVisible();
});
