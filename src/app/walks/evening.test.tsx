import { csv, expect, expectAccessible, walksOn } from '../testing/walk';

const test = walksOn('begun');

/** A minute at 10 Hz on a ring of 300 m, as some logger writes it. */
function minute(head: string, force: number): string {
  const rows = Array.from({ length: 600 }, (_, i) => {
    const t = i / 10;
    const s = 20 * t;
    const bend = Math.sin((2 * Math.PI * s) / 300);
    return [t, 1 + Math.floor(s / 300), s % 300, 72, 40 * bend, 0.5, 0, force * bend]
      .map((x) => Number(x.toFixed(4)))
      .join(',');
  });
  return [head, 'time,lap,distance (m),speed (km/h),steering (deg),throttle,brake,ffb', ...rows].join('\n');
}

test('a folder of an evening: asked about once, laid where it was driven, what is none of it said', async ({
  page,
}) => {
  const moved = { lastModified: Date.parse('2026-01-05T19:41:00Z') };
  const folder = [
    csv('ring-1.csv', minute('# started: 2026-01-05T19:03:00Z', 0.7)),
    csv('ring_2026-01-05_19-20.csv', minute('a logger', 0.9)),
    { ...csv('ring-3.csv', minute('a logger', 1.1)), ...moved },
    csv('notes.txt', 'felt good, a little heavy'),
    csv('empty.csv', ''),
    csv('other.csv', 'clock;v;steer\n0;10;1\n1;11;2\n2;12;3\n'),
  ];
  await page.goto('/ride');
  await page.getByLabel('Folder of logs').setInputFiles(folder);
  const heading = page.getByRole('heading', { level: 1 });
  const next = page.getByRole('region', { name: 'What to do next' });
  // Two sources: each is shown once, its units are never guessed.
  const soItIs = next.getByRole('button', { name: /^So it is/ });
  for (let asked = 0; asked < 2; asked++) {
    await expect(heading).toHaveText(/what are its columns\?$/);
    const isRing = /^ring/.test((await heading.textContent())!);
    if (isRing) {
      await page.getByLabel('ffb: unit').selectOption('full');
      await expect(soItIs).toHaveText('So it is, in all 3 logs');
    } else {
      await page.getByLabel('clock is taken for').selectOption('t_s');
      await page.getByLabel('clock: unit').selectOption('s');
      await page.getByLabel('v: unit').selectOption('kmh');
      await page.getByLabel('steer: unit').selectOption('deg');
    }
    await soItIs.click();
    await expect(heading).not.toHaveText(isRing ? /^ring.*columns/ : /^other.*columns/);
  }
  await expect(heading).toHaveText('4 of 6 files are new rides');
  const files = page.getByRole('table', { name: 'Files of the evening' });
  await expect(files.getByRole('row', { name: /notes\.txt.*no log/ })).toBeVisible();
  await expect(files.getByRole('row', { name: /empty\.csv.*no log.*The file is empty/ })).toBeVisible();
  await expectAccessible(page, 'an evening of logs');
  await page.getByLabel('Road they were driven on').fill('Loft Ring');
  await next.getByRole('button', { name: 'Keep these 4' }).click();
  await expect(heading).toHaveText('4 of 6 files lie on the trail');
  await expect(
    files.getByRole('row', { name: /ring-1\.csv.*600 rows, driven 5 Jan 2026.*as it says/ }),
  ).toBeVisible();
  await expect(files.getByRole('row', { name: /ring_2026.*5 Jan 2026.*as its name says/ })).toBeVisible();
  await expect(files.getByRole('row', { name: /ring-3\.csv.*5 Jan 2026.*its file’s time/ })).toBeVisible();
  await next.getByRole('button', { name: 'Back to Ride' }).click();
  const rides = page.getByRole('table', { name: 'Rides of this combination' });
  await expect(rides.getByRole('row', { name: /Jan/ })).toHaveCount(3);

  // The same folder once more: nothing is taken in twice, and nobody is asked again.
  await page.getByLabel('Folder of logs').setInputFiles(folder);
  await expect(heading).toHaveText('4 of 6 files lie on the trail');
  await expect(files.getByRole('row', { name: /there already/ })).toHaveCount(4);
});
