import { expect, test } from './fixtures';

test.use({ book: 'empty', isLive: true });

/** A pedal set that only exists in the page: its third axis follows what the guide asks for, in real time. */
function fakeGamepad() {
  const REST = -0.94;
  const FULL = 0.93;
  const started = performance.now();
  let phase = '';
  let phaseAt = 0;
  const smooth = (u: number) => {
    const x = Math.min(1, Math.max(0, u));
    return x * x * (3 - 2 * x);
  };
  /** Up, hold, down and pause, again and again. */
  const stroke = (t: number, up: number, hold: number, pause: number, peak: number) => {
    const at = t % (2 * up + hold + pause);
    if (at < up) return peak * smooth(at / up);
    if (at < up + hold) return peak;
    return peak * (1 - smooth((at - up - hold) / up));
  };
  const travel = () => {
    const asked = document.querySelector('h1')?.textContent ?? '';
    const now = (performance.now() - started) / 1000;
    if (asked !== phase) {
      phase = asked;
      phaseAt = now;
    }
    const t = now - phaseAt;
    if (/^Press any pedal/.test(asked)) return stroke(t, 0.4, 0.2, 0.4, 1);
    if (/^Rest your foot/.test(asked)) return 0.035 + 0.003 * Math.sin(t);
    if (/^Press the brake to the stop/.test(asked)) return t < 0.4 ? 0 : stroke(t - 0.4, 1, 0.2, 0.6, 1);
    if (/^Press hard/.test(asked))
      return t < 0.4
        ? 0
        : stroke(t - 0.4, 0.25, 0.5, 0.6, 0.86 + 0.008 * Math.sin(7 * Math.floor((t - 0.4) / 1.6)));
    return 0;
  };
  const quantum = 2 / 4095;
  const read = () =>
    Math.round((REST + travel() * (FULL - REST) + 0.0004 * (Math.random() - 0.5)) / quantum) * quantum;
  const pad = () => ({
    id: 'Plain pedals (made up)',
    index: 0,
    connected: true,
    mapping: '',
    timestamp: performance.now(),
    axes: [0, -1, read()],
    buttons: [{ pressed: false, touched: false, value: 0 }],
  });
  Object.defineProperty(navigator, 'getGamepads', { value: () => [pad(), null] });
}

test('from an empty book: press a pedal, measure it in real time, apply, shape', async ({ page, server }) => {
  await page.addInitScript(fakeGamepad);
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

test('somebody with a title and a car of their own has a first recommendation within a minute and four decisions', async ({
  page,
  server,
}) => {
  await page.addInitScript(fakeGamepad);
  await page.goto(server.url);
  const from = Date.now();
  let decisions = 0;
  const decide = async (act: Promise<unknown>) => {
    decisions++;
    await act;
  };
  await expect(page.getByText(/axis 3 of Plain pedals moved over/)).toBeVisible();
  // What the title's numbers look like, and that this is the brake: everything else may stay as it is.
  await decide(page.getByLabel('Which title do you drive?').selectOption('mine: decimals 0 … 1'));
  await decide(page.getByRole('button', { name: 'That is the brake: begin' }).click());
  await expect(page.getByText('On the Home rig in My title with the My car')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /The brake drags, and full is out of reach/,
  );
  // In the scale that was said, and saying that it is taken as usual.
  const first = page.getByRole('button', { name: /^Apply: Brake dead zone 0(\.00)? to 0\.0[456]/ });
  await expect(first).toBeVisible();
  const seconds = (Date.now() - from) / 1000;
  await decide(first.click());
  await expect(page.getByRole('button', { name: /^Change: Brake dead zone/ })).toBeVisible();
  test.info().annotations.push({
    type: 'counted',
    description: `${seconds.toFixed(0)} s and ${decisions} decisions to the first recommendation`,
  });
  expect(decisions).toBeLessThanOrEqual(4);
  // A minute is the goal and what is counted; a machine that runs other tests beside gets twice that.
  expect(seconds).toBeLessThan(120);

  // Of its force nobody said anything: no figure of it, and the shortest way to one.
  await page.goto(`${server.url}/force`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Nothing is known yet of the force of My title',
  );
  await page.getByRole('link', { name: 'Describe it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('How My title writes its settings');
});
