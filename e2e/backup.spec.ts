import { readFileSync, writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { expect, message, test } from './fixtures';

const next = (page: Page) => page.getByRole('region', { name: 'What to do next' });

test.use({ book: 'few' });

test('a book that is backed up, wrecked and restored is equal to what it was', async ({
  page,
  server,
}, info) => {
  test.slow();
  const backup = async () => {
    const answer = await page.request.get(`${server.url}/api/backup`, { timeout: 120_000 });
    return answer.body();
  };
  const content = (zip: Buffer) => {
    const { 'book.json': book, ...samples } = unzipSync(new Uint8Array(zip));
    const rest = { ...(JSON.parse(strFromU8(book!)) as Record<string, unknown>), madeAtMs: 0 };
    return { rest, samples: Object.entries(samples).map(([name, bytes]) => `${name} ${bytes.length}`) };
  };
  const saved = await backup();

  await page.goto(`${server.url}/shape`);
  await next(page)
    .getByRole('button', { name: /^Apply: Brake ebb/ })
    .click();
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeVisible();
  await page.goto(`${server.url}/card`);
  const choose = (name: string, bytes: Buffer) => {
    const path = info.outputPath(name);
    writeFileSync(path, bytes);
    return page.getByLabel('Backup to restore').setInputFiles(path);
  };
  await choose('half.zip', saved.subarray(0, saved.length / 2));
  await expect(next(page).getByText(/nothing was changed.*not a whole \.zip/)).toBeVisible();
  await choose('book.zip', saved);
  await expect(next(page).getByText('changes: 19 → 18')).toBeVisible();
  await next(page).getByRole('button', { name: 'Replace the book' }).click();
  await expect(message(page, /Restored the book of/)).toBeVisible();
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeHidden();
  // From the page: read back before it is called good.
  const download = page.waitForEvent('download', { timeout: 120_000 });
  await next(page).getByRole('button', { name: 'Save as .zip' }).click();
  await expect(next(page).getByRole('progressbar')).toBeVisible();
  const file = await (await download).path();
  expect(content(readFileSync(file))).toEqual(content(saved));
});
