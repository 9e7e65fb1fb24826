import { strFromU8, unzipSync } from 'fflate';
import { expect, message, type Page, walksOn } from '../testing/walk';

const test = walksOn('empty');

const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });

test('a book that is backed up, wrecked and restored is equal to what it was', async ({ page }) => {
  const backup = async () => new Uint8Array(await (await fetch('/api/backup')).arrayBuffer());
  const content = (zip: Uint8Array) => {
    const { 'book.json': book, ...samples } = unzipSync(zip);
    const rest = { ...(JSON.parse(strFromU8(book!)) as Record<string, unknown>), madeAtMs: 0 };
    return { rest, samples: Object.entries(samples).map(([name, bytes]) => `${name} ${bytes.length}`) };
  };
  await page.goto('/');
  await page.getByRole('button', { name: 'Take Wren' }).click();
  await expect(page.getByText(/^On the Wren in/)).toBeVisible();
  const saved = await backup();
  await page.goto('/shape');
  await page.getByLabel('Ebb', { exact: true }).first().press('PageUp');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeVisible();
  await page.goto('/card');
  const choose = (name: string, bytes: Uint8Array) =>
    page
      .getByLabel('Backup to restore')
      .setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(bytes) });
  await choose('half.zip', saved.subarray(0, saved.length / 2));
  await expect(next(page).getByText(/nothing was changed.*not a whole \.zip/)).toBeVisible();
  await choose('book.zip', saved);
  await expect(next(page).getByText('changes: 1 → 0')).toBeVisible();
  await next(page).getByRole('button', { name: 'Replace the book' }).click();
  await expect(message(page, /Restored the book of/)).toBeVisible();
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeHidden();
  // From the page: read back before it is called good.
  await next(page).getByRole('button', { name: 'Save as .zip' }).click();
  await expect(next(page).getByRole('progressbar')).toBeVisible();
  expect(content((await page.saved()).bytes)).toEqual(content(saved));
});
