import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { expect, test } from './fixtures';

test('the card is printed on one A5 side', async ({ page, server }) => {
  await page.goto(`${server.url}/card`);
  const pdf = await page.pdf({ preferCSSPageSize: true });
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  expect(document.numPages).toBe(1);
  const sheet = await document.getPage(1);
  const { width, height } = sheet.getViewport({ scale: 1 });
  expect([Math.round(width), Math.round(height)]).toEqual([420, 595]);
  const text = (await sheet.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
  expect(text.replaceAll(/\s+/g, ' ')).toMatch(
    /Marl 850 on the Tern in Causeway.*Tern base › Settings.*Lock to lock 1080°.*Tides › Where they begin.*Ebb.*Helm.*Wheel turns 1080°.*Garage › Steering.*Bump stop 900°/,
  );
  expect(text).not.toContain('What to do next');
});

test('Ctrl K finds what people of the field look for by their own words', async ({ page, server }) => {
  await page.goto(`${server.url}/card`);
  for (const [asked, name] of [
    ['clipping', /^Clipping, headroom and gain/],
    ['rotation', /^Rotation, bump stop/],
    ['undo', /^Put the last change back/],
    ['back up', /^Back up, restore/],
    ['dead zone', /^Dead zone, saturation/],
    ['wear', /^Sensors: noise, wear/],
    ['buttons', /^Buttons that mean yes/],
  ] as const) {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(asked);
    await expect(page.getByRole('option', { name })).toBeVisible();
    await page.keyboard.press('Escape');
  }
  await page.keyboard.press('?');
  await expect(page.getByText('Ready, Axes, Shape, Lock, Force, Ride, Verdict, Card')).toBeVisible();
});

test('the lap is heard only when asked for, what is kept and what is tried in turn', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/force?part=listen`);
  await expect(page.getByText('silent')).toBeVisible();
  await page.getByRole('slider', { name: 'Polish', exact: true }).press('End');
  await expect(page.getByText(/A is what is kept, B what is tried/)).toBeVisible();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText('as kept')).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('silent')).toBeVisible();
});
