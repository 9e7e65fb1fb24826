import { plainRim } from '../testing/pads';
import { expect, expectAccessible, hurry, message, walksOn } from '../testing/walk';

const test = walksOn('empty');
hurry();

test('a rim is pressed button by button, its reach measured, and everything lies where no slip costs the ride', async ({
  page,
}) => {
  plainRim();
  await page.goto('/');
  await expect(page.getByText(/of Plain rim moved over/)).toBeVisible();
  await page.getByLabel('What do you call it?').fill('Loft');
  await page.getByLabel('Which title do you drive?').selectOption('Causeway');
  await page.getByRole('button', { name: 'That is the brake: begin' }).click();
  await expect(page.getByText('On the Loft in Causeway')).toBeVisible();

  await page.goto('/buttons');
  const heading = page.getByRole('heading', { level: 1 });
  const next = page.getByRole('region', { name: 'What to do next' });
  await expect(heading).toHaveText('Which buttons has the Loft?');
  // Each press brings a button into the list.
  const rim = page.getByRole('table', { name: 'Buttons of the rim' });
  for (let i = 0; i < 6; i++) {
    Object.assign(window, { tapped: i });
    await expect(page.getByLabel(`Button ${i + 1} lies`)).toBeVisible();
  }
  Object.assign(window, { tapped: undefined });
  const places = ['left-middle', 'right-middle', 'left-upper', 'right-upper', 'centre', 'off-rim'];
  for (const [i, place] of places.entries())
    await page.getByLabel(`Button ${i + 1} lies`).selectOption(place);
  await next.getByRole('button', { name: 'Measure the reach' }).click();
  await expect(heading).toHaveText(/^Press: button \d$/);
  await expect(heading).toHaveText('6 buttons, and what they do in Causeway');
  const button = (i: number) => rim.locator('tbody tr').nth(i - 1);
  const reach = async (i: number) =>
    parseFloat(
      (await button(i)
        .getByText(/\d\.\d\d s/)
        .textContent())!,
    );
  expect(await reach(5)).toBeGreaterThan((await reach(1)) + 0.4);
  await expect(button(3)).toContainText('button 4');

  // What the title has, and where it lies best.
  await next.getByRole('button', { name: 'The usual ones' }).click();
  await next.getByRole('button', { name: 'Take it' }).click();
  await expect(heading).toHaveText(/^\d actions on 6 buttons, none beside a danger$/);
  await next.getByRole('button', { name: 'Keep' }).click();
  await expect(message(page, 'The buttons are written down')).toBeVisible();
  await expectAccessible(page, 'buttons');

  // A danger put beside what is pressed in a corner is named; a hold takes it away.
  await page.getByLabel('Pause lies on').selectOption({ label: 'button 3' });
  await page.getByLabel('Look back lies on').selectOption({ label: 'button 4' });
  const conflicts = page.getByRole('list', { name: 'Conflicts' });
  await expect(conflicts.getByText(/^Pause lies on button 3, beside .*: a slip while driving/)).toBeVisible();
  await page.getByLabel('Pause has to be held').check();
  await expect(conflicts.getByText(/^Pause lies on/)).toBeHidden();
  await next.getByRole('button', { name: 'Put back' }).click();

  // It stands on the card.
  await page.goto('/card');
  await expect(
    page.getByRole('article', { name: 'Setup card' }).getByText(/^Look back: button \d \(button \d\)/),
  ).toBeVisible();
});
