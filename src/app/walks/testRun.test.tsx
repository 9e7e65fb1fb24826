import { driveFast, expect, expectAccessible, press, prompt, walksOn } from '../testing/walk';

const test = walksOn('few');
driveFast();

test('the test run in the title, from the seat: a part, one question, and its feeling ends in the finder', async ({
  page,
}) => {
  await page.goto('/force?part=feels');
  await page.getByRole('link', { name: 'test run' }).click();
  await expect(prompt(page)).toHaveText('Seven parts, one question after each');
  await expectAccessible(page, 'test run before it');
  await page.getByRole('link', { name: 'From the seat' }).click();

  await expect(prompt(page)).toHaveText('A straight');
  await press(page, 'Yes');
  await expect(prompt(page)).toHaveText('Is the wheel calm there, and awake?');
  await expectAccessible(page, 'test run question');
  await press(page, 'Yes');
  // Not right, and not the first thing that could be meant.
  await expect(prompt(page)).toHaveText('The tightest turn');
  await press(page, 'Yes');
  await press(page, 'No');
  await expect(prompt(page)).toHaveText('I ran out of wheel?');
  await press(page, 'No');
  await expect(prompt(page)).toHaveText('A little of the wheel turns it too far?');
  await press(page, 'Yes');
  await expect(prompt(page)).toHaveText('A fast bend');

  // Loaded again in the middle of it, it goes on where it was.
  await page.reload();
  await expect(prompt(page)).toHaveText('A fast bend');
  for (const part of ['A fast bend', 'A kerb', 'Beside the road']) {
    await expect(prompt(page)).toHaveText(part);
    await press(page, 'No');
  }
  await expect(prompt(page)).toHaveText('Walking pace');
  await press(page, 'Yes');
  await expect(prompt(page)).toHaveText('Does the rim lie still, hands off?');
  await press(page, 'No');
  await expect(prompt(page)).toHaveText('It saws by itself, hands off?');
  await press(page, 'Yes');
  await expect(prompt(page)).toHaveText('Getting away');
  await press(page, 'Yes');
  await press(page, 'Yes');

  await expect(prompt(page)).toHaveText('First: a little of the wheel turns it too far, and 1 more after it');
  await expectAccessible(page, 'test run');
  const row = (part: string) => page.getByRole('row').filter({ hasText: part });
  await expect(row('A straight')).toContainText('Right');
  await expect(row('A kerb')).toContainText('Left out');
  const next = page.getByRole('region', { name: 'What to do next' });
  await expect(next.getByRole('link').first()).toHaveText('Match the rotation');
  await next.getByRole('link', { name: 'Find its cause' }).click();
  await expect(page.getByRole('heading', { name: /^It saws by itself, hands off: / })).toBeVisible();
});

test('the test run here: driven on our road, the force measured where it cannot be felt', async ({
  page,
}) => {
  await page.goto('/drive?do=test-run&said=straight.right');
  const main = page.getByRole('main');
  const isOver = page.getByRole('button', { name: 'That is it' });
  await expect(page.getByText('2 of 7: The tightest turn')).toBeVisible();
  await expect(main).toHaveAttribute('data-drive', 'driving');
  const question = page.getByText('Was there wheel enough, and not too little of it?');
  await expect(question).toBeVisible();
  await expectAccessible(page, 'test run driven here');
  await page.getByRole('button', { name: 'No', exact: true }).click();
  await expect(page.getByText('I ran out of wheel?')).toBeVisible();
  await page.getByRole('button', { name: 'Yes', exact: true }).click();

  // A fast bend is felt by its force: none reaches the rim from here, so it is measured.
  await expect(page.getByText('3 of 7: A fast bend')).toBeVisible();
  await expect(page.getByText(/^Simulated: .* of (it|the scale)\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Once more (no)' }).click();
  await expect(isOver).toBeVisible();
  await expect(page.getByText(/^Simulated: .* of (it|the scale)\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Go on (yes)' }).click();
  await expect(page.getByText('4 of 7: A kerb')).toBeVisible();
  await page.reload();
  await expect(page.getByText('4 of 7: A kerb')).toBeVisible();

  await page.goto(
    `/drive?do=test-run&said=straight.right,hairpin.out-of-lock,sweep.whole,kerb.whole,grass.left-out,roll.right`,
  );
  await expect(page.getByText('7 of 7: Getting away')).toBeVisible();
  await expect(page.getByText('Did it get away as your foot meant it to?')).toBeVisible();
  await page.getByRole('button', { name: 'Yes', exact: true }).click();
  await expect(prompt(page)).toHaveText('First: I ran out of wheel');
  await expect(page.getByRole('row').filter({ hasText: 'A fast bend' })).toContainText('The force was whole');

  // Its parts are kept, and take nothing from what has laps.
  await page.goto('/ride');
  await expect(page.getByRole('heading', { name: /^The brake drags on/ })).toBeVisible();
});
