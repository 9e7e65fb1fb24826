import { NOT_FOUND_FAULTS, NOT_FOUND_QUESTIONS } from '@/catalog/faults';
import { expect, message, type Page, walksOn } from '../testing/walk';

const test = walksOn('begun');

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

async function openRig(page: Page, name: string) {
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitemradio', { name }).click();
  await expect(page.getByText(new RegExp(`^On the ${name} in`))).toBeVisible();
}

test('"not found" ends in the rotation; the road reminds of it until the steering is measured again', async ({
  page,
}) => {
  const fault = NOT_FOUND_FAULTS.find(({ id }) => id === 'rotation-too-wide')!;
  const ready = page.getByRole('link', { name: /^Ready/ });
  await page.goto('/ready');
  await page.getByRole('button', { name: 'Done: Clamp or bolts are tight' }).click();
  await expect(page.getByRole('button', { name: 'Not done after all: Clamp or bolts' })).toBeVisible();

  await page.getByRole('button', { name: 'My wheel is not found' }).click();
  const dialog = page.getByRole('dialog');
  for (let asked = 1; !(await dialog.getByText('Found', { exact: true }).isVisible()); asked++) {
    expect(asked).toBeLessThanOrEqual(6);
    await expect(dialog.getByText(`Question ${asked} of at most 6`)).toBeVisible();
    const text = await dialog.getByRole('heading').textContent();
    const question = NOT_FOUND_QUESTIONS.find((q) => q.text === text)!;
    const answer = { yes: 'Yes', no: 'No', unsure: 'I cannot tell' }[fault.expects[question.id] ?? 'unsure'];
    await dialog.getByRole('button', { name: answer, exact: true }).click();
  }
  await expect(dialog.getByRole('heading')).toHaveText(fault.name);
  await dialog.getByRole('button', { name: 'I turned it down: remind me to put it back' }).click();
  await expect(ready).toHaveAccessibleName('Ready, needs a look: Put the rotation back to 1080°');

  // New firmware asks again what it may have reset; what hangs on cables stays ticked.
  await page.goto('/rig');
  await page.getByLabel('Version', { exact: true }).first().fill('2.15');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(message(page, 'Tern is written down')).toBeVisible();

  await page.goto('/axes/steering');
  await page.getByRole('button', { name: 'Start the capture' }).click();
  await page.getByRole('button', { name: '16×' }).click();
  await expect(heading(page)).toHaveText(/^The wheel turns 10\d\d°/);
  await expect(ready).not.toHaveAccessibleName(/rotation back/);
});

test('the Wren’s throttle: the date on which it outgrows its dead zone, its lost end, its rough track', async ({
  page,
}) => {
  await page.goto('/');
  await openRig(page, 'Wren');
  await expect(page.getByText(/Dawn shift$/)).toBeVisible();
  await page.getByRole('link', { name: /^Throttle: Throttle track is rough/ }).click();
  await expect(heading(page)).toHaveText('The throttle works, on a track that is rough in places');
  await expect(page.getByText(/Rough track from [56]\d\.\d % to 6\d\.\d % of travel/)).toBeVisible();
  await page.getByRole('link', { name: 'History' }).click();
  await expect(heading(page)).toHaveText(
    /^The throttle’s noise outgrows its dead zone around \d+ \w+ 20\d\d; its last [345] % of travel are gone$/,
  );
  await expect(page.getByText(/as a plaster|only a new sensor for good/)).toBeVisible();
  await expect(page.locator('[data-drawn]')).toBeVisible();
});

test('a capture goes out as a file and comes back: compared, played as a device, kept; a wrong one is refused', async ({
  page,
}) => {
  await page.goto('/axes/brake');
  await page.getByText('Captures as files').click();
  await page.getByRole('link', { name: 'Save the newest capture as CSV' }).click();
  const csv = (await page.saved()).text;
  const choose = (name: string, text: string) =>
    page
      .getByLabel('Analyse a capture file')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

  await choose('other.csv', csv.replace(/^(.*),sweep,(\d+)$/m, '$1,sweep,many'));
  await expect(page.getByText(/row \d+, column "brake": "many" is not a number/)).toBeVisible();
  await choose('other.capture.csv', csv.replace('Simulated Tern', 'Somebody’s pedals'));
  await expect(page.getByText(/Another device than this rig’s \(Simulated Tern\)/)).toBeVisible();

  await choose('brake.capture.csv', csv);
  const table = page.getByRole('table', { name: 'Newest here against File' });
  await expect(table.getByRole('row', { name: /upper end, raw 61\d+ 61\d+/ })).toBeVisible();
  await page.getByRole('button', { name: 'Play it as a device' }).click();
  await expect(page.getByText('Replay of Simulated Tern')).toBeVisible();
  await page.getByRole('button', { name: 'End the replay', exact: true }).click();
  await expect(page.getByText('Simulated Tern', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Keep in the history' }).click();
  await expect(message(page, 'Kept: brake')).toBeVisible();
  await page.getByRole('link', { name: 'History' }).click();
  await expect(page.getByText(/^5 captures since/)).toBeVisible();
});

test('the Gannet: seven axes, an inverted clutch; the check says exactly what is wrong, then it is signed', async ({
  page,
}) => {
  await page.goto('/');
  await openRig(page, 'Gannet');
  await page.goto('/axes/clutch');
  await expect(page.getByText(/reads inverted$/)).toBeVisible();
  await page.getByRole('button', { name: 'All axes' }).click();
  await expect(
    page.getByText('Then: throttle, brake, clutch, handbrake, left paddle, right paddle.'),
  ).toBeVisible();
  // What was accepted is a draft; here it is not gone on with.
  await expect(heading(page)).toHaveText(/^Turn fully left/);
  await page.getByRole('button', { name: 'Stop' }).click();
  // The road says what is worst; the axis itself that its capture waits.
  await expect(page.getByRole('link', { name: /^Steering: Steering capture waits/ })).toBeVisible();
  await page.goto('/axes/steering');
  // What was recorded up to the stop is still on its way: thrown away is all of it.
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(message(page, 'The draft is gone')).toBeVisible();

  const next = page.getByRole('region', { name: 'What to do next' });
  const check = async () => {
    await page.goto('/axes/check');
    await next.getByRole('button', { name: 'Start the check' }).click();
    await page.getByRole('button', { name: '16×' }).click();
    await expect(heading(page)).toHaveText(/did not come|are settled/);
  };
  await check();
  await expect(heading(page)).toHaveText(/^[23] of 15 did not come/);
  await expect(page.getByText(/Brake shows [12](\.\d)? % under the resting foot, not 0/)).toBeVisible();
  for (const axis of ['brake', 'handbrake']) {
    await page.goto(`/axes/${axis}`);
    const apply = next.getByRole('button', { name: /^Apply: / });
    await expect(apply.first()).toBeVisible();
    while ((await apply.count()) > 0) {
      const left = await apply.count();
      await apply.first().click();
      await expect(apply).toHaveCount(left - 1);
    }
  }
  await check();
  await expect(heading(page)).toHaveText('The axes of the Gannet are settled');
  await expect(page.getByRole('link', { name: /Axes, settled: Settled and signed/ })).toBeVisible();
});
