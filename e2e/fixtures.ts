import { test as base, expect, type Page } from '@playwright/test';
import { copyBook, removeBook, startServer, type BookName, type Server } from './server';

interface Fixtures {
  /** Which prepared book the test works on a copy of. */
  book: BookName;
  /** How many times faster than the wall clock is driven. */
  drivePace: number;
  /** Whether pictures are drawn at the rate of a screen; a busy machine is spared it where nobody looks. */
  isLive: boolean;
  server: Server;
}

/** The server of a worker goes on from test to test, each time with another book, as long as no test ends it. */
interface Warm {
  serverWith(book: BookName): Promise<Server>;
}

export const test = base.extend<Fixtures, { warm: Warm }>({
  book: ['demo', { option: true }],
  drivePace: [8, { option: true }],
  isLive: [false, { option: true }],
  warm: [
    async ({}, use) => {
      let server: Server | null = null;
      await use({
        async serverWith(book) {
          const folder = copyBook(book);
          const before = server?.folder;
          if (server?.isUp()) await server.exchange(folder);
          else server = await startServer(folder, book);
          if (before) removeBook(before);
          return server;
        },
      });
      const last = server as Server | null;
      await last?.stop();
      if (last) removeBook(last.folder);
    },
    { scope: 'worker' },
  ],
  server: async ({ book, warm }, use) => {
    const server = await warm.serverWith(book);
    await use(server);
    expect(server.faults()).toBe('');
  },
  // After the server, so that the page ends before it: one that lost its server while it loads would be no fault.
  page: async ({ page, drivePace, isLive, server: _ }, use) => {
    if (!isLive) await page.addInitScript(fewFrames);
    await page.addInitScript((pace) => Object.assign(window, { pebbleDrivePace: pace }), drivePace);
    const faults: string[] = [];
    page.on('pageerror', (error) => faults.push(error.message));
    page.on('console', (message) => {
      if (message.type() === 'error' && /Content Security Policy|hydrat/i.test(message.text()))
        faults.push(message.text());
    });
    const goto = page.goto.bind(page);
    page.goto = async (url, options) => {
      const answer = await goto(url, options);
      if (url.startsWith('http')) await page.waitForFunction(isAlive);
      return answer;
    };
    await use(page);
    expect(faults).toEqual([]);
  },
});

/** Some pictures a second, which is enough to see what is drawn. Runs in the page. */
function fewFrames() {
  const FRAME_MS = 100;
  window.requestAnimationFrame = (draw) => window.setTimeout(() => draw(performance.now()), FRAME_MS);
  window.cancelAnimationFrame = (frame) => window.clearTimeout(frame);
}

/** What `npm run test:long` goes through: journeys that take minutes by nature, and what does more of the same there. */
export const LONG = { tag: '@long' };
export const isLongRun = process.env['PEBBLE_LONG'] === '1';
export const testLong = isLongRun ? test : test.skip;

export { expect };

/** Whether the page's own code listens: a key pressed before it does would reach nobody. */
function isAlive(): boolean {
  return Object.keys(document).some((key) => key.startsWith('_reactListening'));
}

/** A message as it stands on the screen; beside it the same is read aloud. */
export function message(page: Page, text: string | RegExp) {
  return page.getByRole('region', { name: /^Messages/ }).getByText(text);
}

/** Chooses in the frame what to drive, and waits until the book has it: a page opened sooner cuts the choice off. */
export async function choose(page: Page, kind: 'Title' | 'Car', name: string) {
  const sentence = page.getByRole('banner');
  await sentence.getByRole('button', { name: new RegExp(`^${kind}: `) }).click();
  await page.getByRole('menuitemradio', { name }).click();
  await expect(sentence.getByRole('button', { name: `${kind}: ${name}` })).toBeVisible();
}

/** Runs a whole guided capture with the simulated foot at a fast pace. */
export async function captureBrake(page: Page) {
  await page.getByRole('button', { name: 'Start the capture' }).click();
  await page.getByRole('button', { name: '16×' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /The brake drags, and full is out of reach/,
  );
}

/** Rides the laps that are chosen and waits for them to lie on the trail. */
export async function ride(page: Page, name: RegExp) {
  const trail = page.getByRole('region', { name: 'Trail' });
  await page.getByRole('button', { name: /^Ride \d+ laps$/ }).click();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await expect(trail.getByRole('button', { name })).toBeVisible();
}

/** Types into a field, and goes on: what is wrong with it is said then. */
export async function fill(page: Page, label: string, value: number | string) {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(String(value));
  await field.press('Tab');
}
