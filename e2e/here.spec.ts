import type { Page } from '@playwright/test';
import { choose, expect, isLongRun, LONG, test } from './fixtures';

test.use({ book: 'few' });

/** Where a window is: its sentence, and nobody else's. */
async function isAt(page: Page, rig: string, title: string) {
  const sentence = page.getByRole('banner');
  await expect(sentence.getByRole('button', { name: `Rig: ${rig}` })).toBeVisible();
  await expect(sentence.getByRole('button', { name: `Title: ${title}` })).toBeVisible();
}

async function openRig(page: Page, url: string, rig: string) {
  await page.goto(`${url}/shape`);
  if (await page.getByRole('button', { name: `Rig: ${rig}` }).isVisible()) return;
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitemradio', { name: rig }).click();
  await expect(page.getByRole('button', { name: `Rig: ${rig}` })).toBeVisible();
}

const change = (page: Page, text: string) => page.getByRole('button', { name: text }).first();

interface Driver {
  rig: string;
  title: string;
  /** What the title calls the dead zone, and an amount of it that its menu takes. */
  field: string;
  step: number;
}
const TERN: Driver = { rig: 'Tern', title: 'Causeway', field: 'Ebb', step: 10 };
const GANNET: Driver = { rig: 'Gannet', title: 'Hill & Hollow', field: 'Start', step: 0.1 };

/** Five things that a driver does, ending where they began. */
async function fiveActions(page: Page, { rig, title, field, step }: Driver, round: number) {
  const value = step * (1 + (round % 3));
  const what = `Brake ${field.toLowerCase()} 0 → ${Number(value.toFixed(1))}`;
  await page.keyboard.press('3');
  await expect(page.getByRole('link', { name: /^Shape/ })).toHaveAttribute('aria-current', 'page');
  await page
    .getByRole('textbox', { name: `${field}, number` })
    .first()
    .fill(value.toFixed(1));
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(change(page, `Change: ${what}`)).toBeVisible();
  await isAt(page, rig, title);
  await page.locator('main').focus();
  await page.keyboard.press('u');
  await expect(change(page, `Change: ${what}, put back`)).toBeVisible();
  await choose(page, 'Car', round % 2 ? 'Marl 850' : 'Fenwick Six');
  await isAt(page, rig, title);
  await page.keyboard.press('8');
  await expect(page.getByRole('link', { name: /^Card/ })).toHaveAttribute('aria-current', 'page');
  await isAt(page, rig, title);
}

/** Five actions each for every change, fifteen in the long run. */
const ROUNDS = isLongRun ? 3 : 1;

test(
  'two browsers on two combinations never steer one another, whatever both do at once',
  LONG,
  async ({ page, browser, server }) => {
    const context = await browser.newContext();
    try {
      const other = await context.newPage();
      await openRig(page, server.url, 'Tern');
      await openRig(other, server.url, 'Gannet');
      await choose(other, 'Title', 'Hill & Hollow');
      const drive = async (one: Page, driver: Driver) => {
        for (let round = 0; round < ROUNDS; round++) await fiveActions(one, driver, round);
      };
      await Promise.all([drive(page, TERN), drive(other, GANNET)]);
      await isAt(page, 'Tern', 'Causeway');
      await isAt(other, 'Gannet', 'Hill & Hollow');
    } finally {
      await context.close();
    }
  },
);

test('two tabs of one browser stay where they are, in turn and after a reload', async ({
  page,
  context,
  server,
}) => {
  await openRig(page, server.url, 'Tern');
  const other = await context.newPage();
  await openRig(other, server.url, 'Gannet');
  await page.bringToFront();
  await page.keyboard.press('4');
  await expect(page.getByRole('link', { name: /^Lock/ })).toHaveAttribute('aria-current', 'page');
  await isAt(page, 'Tern', 'Causeway');
  await other.bringToFront();
  await choose(other, 'Car', 'Fenwick Six');
  await page.bringToFront();
  await page.reload();
  await isAt(page, 'Tern', 'Causeway');
  await expect(page.getByRole('button', { name: 'Car: Marl 850' })).toBeVisible();
  await other.reload();
  await expect(other.getByRole('button', { name: 'Rig: Gannet' })).toBeVisible();
  await expect(other.getByRole('button', { name: 'Car: Fenwick Six' })).toBeVisible();
  await other.close();
});
