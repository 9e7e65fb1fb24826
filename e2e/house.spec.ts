import { request } from 'node:http';
import { expectAccessible } from './axe';
import { expect, ride, test } from './fixtures';
import { PAGES, pageData } from './pageData';

test('axe finds nothing where settings are matched, translated, compared and written down', async ({
  page,
  server,
}) => {
  for (const place of [
    'base',
    'lock',
    'card',
    'combinations',
    'translate',
    'translate/describe',
    'translate/describe?of=car',
    'seat?do=card',
  ]) {
    await page.goto(`${server.url}/${place}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectAccessible(page, place);
  }
});

test('axe finds nothing in any part of the force', async ({ page, server }) => {
  await page.goto(`${server.url}/force?part=feels&like=numb`);
  for (const [part, shows] of [
    ['Feels like…', page.getByText(/^No signal shows/)],
    ['Cars', page.getByRole('table', { name: 'Gain per car' })],
    ['Smooth', page.getByText('of the detail reaches the rim')],
    ['Stability', page.getByText('hands off at 144 km/h')],
    ['Balance', page.getByText('What acts on what')],
    ['Listen', page.getByText('silent')],
    ['Strength', page.getByText('of the ride is clipped', { exact: true })],
  ] as const) {
    await page.getByRole('button', { name: part, exact: true }).click();
    await expect(shows.first()).toBeVisible();
    await expectAccessible(page, part);
  }
});

test('axe finds nothing on any station, nor in a capture or the palette', async ({ page, server }) => {
  await page.goto(`${server.url}/axes`);
  await expect(page.locator('[data-drawn]').first()).toBeVisible();
  await expectAccessible(page, 'axes');
  await page.getByRole('button', { name: 'Start the capture' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^(Foot off|Rest your foot on) the brake/);
  await expectAccessible(page, 'capture');
  await page.getByRole('button', { name: 'Stop' }).click();
  // Verdict has a pair to show.
  await page.goto(`${server.url}/ride`);
  await ride(page, /Ride B, 3 laps/);
  for (const station of [
    'shape',
    'ride',
    'verdict?pair=1',
    'shape/steering',
    'axes/steering',
    'axes/brake?view=history',
    'launch',
  ]) {
    await page.goto(`${server.url}/${station}`);
    await expect(page.locator('[data-drawn]').first()).toBeVisible();
    await expectAccessible(page, station);
  }
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog')).toBeVisible();
  await expectAccessible(page, 'palette');
  for (const place of ['ready', 'rig', 'axes/check', 'seat?do=ready', 'start', 'verdict', 'drills']) {
    await page.goto(`${server.url}/${place}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectAccessible(page, place);
  }
});

test('no station carries more than 40 kB of data', async ({ page, server }) => {
  for (const rig of ['Tern', 'Wren', 'Gannet']) {
    await page.goto(`${server.url}/ready`);
    await page.getByRole('button', { name: /^Rig: / }).click();
    await page.getByRole('menuitemradio', { name: rig }).click();
    await expect(page.getByRole('button', { name: `Rig: ${rig}` })).toBeVisible();
    for (const station of PAGES) {
      const bytes = pageData(await (await page.request.get(`${server.url}/${station}`)).text());
      expect(bytes, `${station} of the ${rig}`).toBeGreaterThan(10_000);
      expect(bytes, `${station} of the ${rig}`).toBeLessThan(40 * 1024);
    }
  }
});

/** A raw request, with headers that a browser would not let a page set. */
function ask(
  url: string,
  headers: Record<string, string>,
  method = 'GET',
): Promise<{ status: number; policy: string }> {
  return new Promise((resolve, reject) => {
    const call = request(url, { method, headers }, (answer) => {
      answer.resume();
      answer.on('end', () =>
        resolve({
          status: answer.statusCode ?? 0,
          policy: String(answer.headers['content-security-policy'] ?? ''),
        }),
      );
    });
    call.on('error', reject);
    call.end();
  });
}

test('no other host name or origin reaches a page, a route or an action', async ({ server }) => {
  const own = await ask(`${server.url}/axes/brake`, {});
  expect(own.status).toBe(200);
  expect(own.policy).toMatch(/default-src 'self'/);
  expect(own.policy).not.toMatch(/script-src[^;]*unsafe/);
  expect((await ask(`${server.url}/axes`, {}, 'TRACE')).status).toBe(405);
  expect((await ask(`${server.url}/_next/image?url=%2Ficon.svg&w=64&q=75`, {})).status).toBe(404);
  const elsewhere = { 'sec-fetch-site': 'cross-site' };
  expect((await ask(`${server.url}/api/backup`, elsewhere)).status).toBe(403);
  expect((await ask(`${server.url}/api/backup`, { 'sec-fetch-site': 'same-site' }, 'POST')).status).toBe(403);
  expect((await ask(`${server.url}/axes/brake`, elsewhere)).status).toBe(200);
  expect((await ask(`${server.url}/axes`, { host: 'pebble.invalid' })).status).toBe(403);
  expect((await ask(`${server.url}/api/rides`, { origin: 'http://elsewhere.invalid' }, 'POST')).status).toBe(
    403,
  );
  expect(
    (await ask(`${server.url}/axes`, { origin: 'http://elsewhere.invalid', 'next-action': 'x' }, 'POST'))
      .status,
  ).toBe(403);
});

/** A phone, a small screen beside the rig, and the usual one. */
const SIZES = [
  [390, 844],
  [1024, 768],
  [1280, 800],
] as const;

test('no page scrolls sideways or twice at any width; on a narrow one the road stands where one is', async ({
  page,
  server,
}) => {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    for (const [place, name] of [
      ['shape', 'Shape'],
      ['force?part=balance', 'Force'],
      ['card', 'Card'],
    ] as const) {
      await page.goto(`${server.url}/${place}`);
      await expect(page.getByRole('link', { name: new RegExp(`^${name}, `) })).toBeInViewport({ ratio: 1 });
      const overflow = await page.evaluate(() => {
        const { scrollWidth, scrollHeight } = document.documentElement;
        return [scrollWidth > innerWidth, scrollHeight > innerHeight];
      });
      expect(overflow, `${place} at ${width}`).toEqual([false, false]);
      const banner = await page.getByRole('banner').boundingBox();
      expect(banner!.height, `header at ${width}`).toBeLessThan(120);
    }
  }
});

test('what is written in a field can be read at any width, and no field lies over another column', async ({
  page,
  server,
}) => {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    for (const place of [
      'rig',
      'buttons',
      'translate/describe?of=title',
      'translate/describe?of=car',
      'translate/describe?of=road',
      'translate/describe?of=base',
    ]) {
      await page.goto(`${server.url}/${place}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      const faults = await page.evaluate(() => {
        const next = document.querySelector('section[aria-label="What to do next"]')!;
        const column = next.getBoundingClientRect();
        // A wide table scrolls within its own frame.
        const isFramed = (at: Element): boolean =>
          at.tagName !== 'MAIN' && (getComputedStyle(at).overflowX === 'auto' || isFramed(at.parentElement!));
        const fields = document.querySelectorAll<HTMLElement>('main input:not([type]), main select');
        return [...fields].flatMap((field) => {
          const { width: wide, right, top, bottom } = field.getBoundingClientRect();
          const isBeside = column.left > innerWidth / 2 && bottom > column.top && top < column.bottom;
          const isOver = isBeside && right > column.left && !next.contains(field) && !isFramed(field);
          // A hidden one has no width.
          const isNarrow = wide > 0 && wide < 52;
          return isNarrow || isOver ? [`${field.id || field.ariaLabel}: ${Math.round(wide)} px`] : [];
        });
      });
      expect(faults, `${place} at ${width}`).toEqual([]);
    }
  }
});
