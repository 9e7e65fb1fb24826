import { SAMPLE_LOGS } from '@/catalog/sampleLogs';
import { eventually, expect, message, type Page, walksOn } from '../testing/walk';

const test = walksOn('begun');

const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });
const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const rides = (page: Page) =>
  page.getByRole('region', { name: 'Trail' }).getByRole('button', { name: /^Ride/ });

async function open(page: Page, id: string) {
  const sample = SAMPLE_LOGS.find((log) => log.id === id)!;
  await page.getByLabel('Log to take in').setInputFiles({
    name: sample.name,
    mimeType: 'text/csv',
    buffer: Buffer.from(sample.text()),
  });
}

test('logs of six shapes: four are taken in as they are confirmed, two are refused with place and remedy', async ({
  page,
}) => {
  await page.goto('/ride');
  await expect(rides(page)).toHaveCount(1);

  // Two that are none: nothing is kept, and what would be valid is said.
  await open(page, 'words');
  await expect(next(page).getByRole('alert')).toContainText(
    /No rows of numbers were found.*One sample a row/,
  );
  await open(page, 'no-time');
  await expect(heading(page)).toHaveText('no-time.csv: 900 rows');
  await next(page).getByRole('button', { name: 'Keep this ride' }).click();
  await expect(next(page).getByRole('alert')).toContainText(/No column is taken for the time/);
  await expect(rides(page)).toHaveCount(1);

  // Everything is told by the file.
  await open(page, 'plain');
  await expect(page.getByRole('row').filter({ hasText: 'Wheel force' })).toContainText(/sure$/);
  await next(page).getByRole('button', { name: 'Keep this ride' }).click();
  await expect(rides(page)).toHaveCount(2);
  const force = page.getByRole('region', { name: 'Force of the newest ride' });
  await expect(force.getByText('of the time the force was clipped')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Force, needs a look/ })).toBeVisible();

  // Its clipping is judged like a simulated one's, at the gain that is tried.
  await page.goto('/force');
  await page.getByLabel('Clipping of').selectOption({ index: 1 });
  const clipped = page.getByText('of the ride is clipped', { exact: true }).beside('dd');
  const share = async () => parseFloat((await clipped.textContent())!);
  // The simulated ride clips by less than one percent.
  await eventually(async () => expect(await share()).toBeGreaterThan(1));
  const before = await share();
  await page.getByRole('slider', { name: 'Heft', exact: true }).press('PageDown');
  await eventually(async () => expect(parseFloat((await clipped.textContent())!)).toBeLessThan(before));
  await page.goto('/ride');

  // Decimal commas, a row of units, radians and g.
  await open(page, 'comma-decimals');
  await expect(
    page.getByText(/split by semicolons, decimal comma, names on line 4, units on line 5/),
  ).toBeVisible();
  await next(page).getByRole('button', { name: 'Keep this ride' }).click();
  await expect(rides(page)).toHaveCount(3);
  await expect(message(page, /clipping, headroom and gain cannot be told/)).toBeVisible();

  // Units that are not said are asked, never guessed; the next log of this source asks no more.
  await open(page, 'tabs');
  await expect(next(page).getByText(/A unit is missing: speed, force of the title/)).toBeVisible();
  await expect(next(page).getByRole('button', { name: 'Keep this ride' })).toBeDisabled();
  await page.getByLabel('speed: unit').selectOption('mph');
  await page.getByLabel('ffb: unit').selectOption('percent');
  await next(page).getByRole('button', { name: 'Keep this ride' }).click();
  await expect(rides(page)).toHaveCount(4);
  await open(page, 'tabs');
  await expect(next(page).getByText('The columns are as you said of this source before.')).toBeVisible();
  await next(page).getByRole('button', { name: 'Leave it' }).click();

  // A clock that starts again, gaps, empty cells.
  await open(page, 'resets');
  await next(page).getByRole('button', { name: 'Keep this ride' }).click();
  await expect(rides(page)).toHaveCount(5);
  await expect(message(page, /The clock starts again once/)).toBeVisible();
});
