import { layTrack, type TrackSpec } from '@/core/vehicle/track';
import { csv, expect, expectAccessible, fill, message, walksOn } from '../testing/walk';

const test = walksOn('begun');

const half = { straightM: 260, radiusM: 9, angleDeg: 180, clothoidM: 6 };
const RING: TrackSpec = { id: 'ring', name: 'Ring', widthM: 8, closed: true, segments: [half, half] };

/** Three laps of a ring that nobody knows, as another program writes them. */
function foreignLog(): string {
  const { x, y, stepM } = layTrack(RING);
  const rows = ['Time (s);Lap;Speed (km/h);Pos X (m);Pos Y (m)'];
  for (let i = 0; i < 3 * x.length; i++)
    rows.push(
      [(i * stepM) / 15, 1 + Math.floor(i / x.length), 54, x[i % x.length]!, y[i % x.length]!]
        .map((value) => String(Number(value.toFixed(4))).replace('.', ','))
        .join(';'),
    );
  return `${rows.join('\n')}\n`;
}

test('the road of a log becomes a road of one’s own: driven, asked of the hands, taken along as a file', async ({
  page,
}) => {
  const heading = page.getByRole('heading', { level: 1 });
  const next = page.getByRole('region', { name: 'What to do next' });
  await page.goto('/ride');
  await page.getByLabel('Log to take in').setInputFiles(csv('evening.csv', foreignLog()));
  await next.getByRole('button', { name: 'Keep this ride' }).click();
  await next.getByRole('link', { name: 'Make it a road of yours' }).click();
  await expect(heading).toHaveText('A road of 0.59 km, 2 corners');
  await expect(page.getByText('2 laps of evening.csv, by the positions in it')).toBeVisible();
  const corners = page.getByRole('table', { name: 'Corners of the road' });
  await expect(corners.getByRole('row', { name: /1(7|8)\d° left/ })).toHaveCount(2);
  await expect(next.getByRole('button', { name: 'Keep this road' })).toBeDisabled();
  await expectAccessible(page, 'a road');
  await fill(page, 'Called', 'Millrace Ring');
  await next.getByRole('button', { name: 'Keep this road' }).click();
  await expect(message(page, /There is a road called Millrace Ring already/)).toBeVisible();
  await fill(page, 'Called', 'Loft Ring');
  await next.getByRole('button', { name: 'Save as a file' }).click();
  const file = JSON.parse((await page.saved()).text) as TrackSpec;
  expect(file).toMatchObject({ name: 'Loft Ring', closed: true, segments: [] });
  await next.getByRole('button', { name: 'Keep this road' }).click();

  // Lock asks the hands for it, and says how well it is known.
  await expect(page).toHaveURL(/\/lock$/);
  await expect(page.getByText(/of the hands for the (9|8\.\d|9\.\d) ± 0\.\d m hairpin/)).toBeVisible();
  // It is what is driven now.
  await page.goto('/ride');
  await expect(page.getByLabel('On the road')).toHaveValue(/^own-road-/);

  // A log without a shape says what would tell one.
  await page.goto('/translate/describe?of=road');
  await page.getByLabel('Open a .track.json or .ride.csv').setInputFiles({
    name: 'flat.ride.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('t_s,brake\n0,0\n1,0\n'),
  });
  await expect(next.getByRole('alert')).toContainText(/neither positions nor speed/);

  // Laid by hand: what is no corner, what doesn't come round, and one that nearly does.
  const lines = page.getByLabel(/A corner on each line/);
  const lay = page.getByRole('button', { name: 'Lay these lines' });
  const fault = page.getByRole('group').getByRole('alert');
  await lines.fill('100 30 90 left\nthe long one');
  await lay.click();
  await expect(fault).toContainText(/row 2.*is no corner/);
  await lines.fill('100 30 90 left\n100 30 90 left');
  await lay.click();
  await expect(fault).toContainText(/does not come round/);
  await lines.fill('100 30 90 left\n100 30 90 left\n101,5 30 90 left\n100 30 90 left');
  await lay.click();
  await expect(heading).toHaveText(/A road of 0\.6\d km, 4 corners/);
  await expect(page.getByText(/As laid it ended 1\.\d m from its start/)).toBeVisible();
});
