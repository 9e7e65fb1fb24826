import { plainPedals } from '../src/app/testing/pads';
import { expect, test } from './fixtures';

test.use({ book: 'empty', isLive: true });

test('from an empty book: press a pedal, measure it in real time, apply, shape', async ({ page, server }) => {
  await page.addInitScript(plainPedals);
  await page.goto(server.url);
  await expect(page).toHaveURL(/\/start$/);
  await expect(page.getByText(/axis 3 of Plain pedals moved over/)).toBeVisible();
  await page.getByLabel('What do you call it?').fill('Workbench');
  await page.getByLabel('Which title do you drive?').selectOption('Causeway');
  await page.getByLabel('With which car?').selectOption('Marl 850');
  await page.getByRole('button', { name: 'That is the brake: begin' }).click();

  // It begins by itself: that is what one came for.
  await expect(page.getByText('On the Workbench in Causeway')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /The brake drags, and full is out of reach/,
  );
  await expect(page.getByText(/^1[12]\.\d bit$/)).toBeVisible();

  await page.getByRole('button', { name: /^Apply: Brake ebb 0 to [456]/ }).click();
  await expect(page.getByRole('button', { name: /Change: Brake ebb/ })).toBeVisible();
  await page.getByRole('link', { name: /Shape/ }).click();
  await page.getByRole('slider', { name: 'Flood' }).focus();
  await page.keyboard.press('PageUp');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Change: Brake flood 0 → 10' })).toBeVisible();

  // Nobody said what base it is: its forecast is no alarm, and what it is comes first.
  await page.getByRole('link', { name: /^Force, / }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/, if the base is as usual$/);
  await expect(page.getByRole('link', { name: /^Force, under way: / })).toBeVisible();
  await page.getByRole('link', { name: 'Write it down' }).click();
  await expect(page.getByLabel('Rated torque')).toHaveValue('');
});
