import { expectAccessible } from './axe';
import { expect, message, test } from './fixtures';

test.use({ book: 'empty' });

/** A wheel with six buttons and a pedal: what the screen asks for is pressed, each button after a time of its own. */
function fakeRim() {
  const REACH_MS = [300, 350, 400, 450, 1000, 1100];
  const down = new Set<number>();
  let asked = '';
  let askedAt = 0;
  let slipped = false;
  const started = performance.now();
  const follow = () => {
    const now = performance.now();
    const text = document.querySelector('h1')?.textContent ?? '';
    if (text !== asked) {
      asked = text;
      askedAt = now;
      down.clear();
    }
    const name = text.match(/^Press: .*?(\d+)$/)?.[1];
    if (!name) return;
    const index = Number(name) - 1;
    const wait = REACH_MS[index]!;
    // Once the third is missed for the fourth.
    if (index === 2 && !slipped && now - askedAt > wait) {
      down.add(3);
      if (now - askedAt > wait + 120) {
        slipped = true;
        down.delete(3);
      }
    } else if (now - askedAt > wait) down.add(index);
  };
  const pad = () => {
    follow();
    // Pressed again and again: what is held down while the device is opened is no press.
    const isDown = Math.floor((performance.now() - started) / 150) % 2 === 0;
    const pressed = isDown ? (window as unknown as { tapped?: number }).tapped : undefined;
    return {
      ...{ id: 'Plain rim (made up)', index: 0, connected: true, mapping: '' },
      timestamp: performance.now(),
      // Pressed and let go again, never held: on the first page that would lead to the seat.
      axes: [0, -1, Math.sin((performance.now() - started) / 120)],
      buttons: REACH_MS.map((_, i) => {
        const is = down.has(i) || pressed === i;
        return { pressed: is, touched: is, value: is ? 1 : 0 };
      }),
    };
  };
  Object.defineProperty(navigator, 'getGamepads', { value: () => [pad(), null] });
}

test('a rim is pressed button by button, its reach measured, and everything lies where no slip costs the ride', async ({
  page,
  server,
}) => {
  await page.addInitScript(fakeRim);
  await page.goto(server.url);
  await expect(page.getByText(/of Plain rim moved over/)).toBeVisible();
  await page.getByLabel('What do you call it?').fill('Loft');
  await page.getByLabel('Which title do you drive?').selectOption('Causeway');
  await page.getByRole('button', { name: 'That is the brake: begin' }).click();
  await expect(page.getByText('On the Loft in Causeway')).toBeVisible();

  await page.goto(`${server.url}/buttons`);
  const heading = page.getByRole('heading', { level: 1 });
  const next = page.getByRole('region', { name: 'What to do next' });
  await expect(heading).toHaveText('Which buttons has the Loft?');
  // Each press brings a button into the list.
  const rim = page.getByRole('table', { name: 'Buttons of the rim' });
  for (let i = 0; i < 6; i++) {
    await page.evaluate((index) => ((window as unknown as { tapped?: number }).tapped = index), i);
    await expect(page.getByLabel(`Button ${i + 1} lies`)).toBeVisible();
  }
  await page.evaluate(() => delete (window as unknown as { tapped?: number }).tapped);
  const places = ['left-middle', 'right-middle', 'left-upper', 'right-upper', 'centre', 'off-rim'];
  for (const [i, place] of places.entries())
    await page.getByLabel(`Button ${i + 1} lies`).selectOption(place);
  await next.getByRole('button', { name: 'Measure the reach' }).click();
  await expect(heading).toHaveText(/^Press: button \d$/);
  await expect(heading).toHaveText('6 buttons, and what they do in Causeway');
  const reach = async (i: number) =>
    parseFloat(
      (await rim
        .getByRole('row', { name: new RegExp(`^${i} `) })
        .getByText(/\d\.\d\d s/)
        .textContent())!,
    );
  expect(await reach(5)).toBeGreaterThan((await reach(1)) + 0.4);
  await expect(rim.getByRole('row', { name: /^3 / })).toContainText('button 4');

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
  await page.goto(`${server.url}/card`);
  await expect(
    page.getByRole('article', { name: 'Setup card' }).getByText(/^Look back: button \d \(button \d\)/),
  ).toBeVisible();
});
