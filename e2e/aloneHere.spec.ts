import type { Locator, Page } from '@playwright/test';
import { openSide } from '../src/core/experiment/sealedSide';
import { expectAccessible } from './axe';
import { expect, test } from './fixtures';
import { beginWithPlainWheel, hands, pull } from './plainWheel';
import { prompt } from './seatRim';

const [YES, NO] = [0, 1] as const;

/** Says something by the rim once it is asked. */
async function say(page: Page, asked: string | RegExp, answer: 0 | 1) {
  await expect(prompt(page)).toHaveText(asked);
  await pull(page, answer);
}

/** All that stands on the screen, without numbers, and without how steadily this machine draws it. */
const shown = (main: Locator) =>
  main.evaluate((element) => {
    const copy = element.cloneNode(true) as HTMLElement;
    copy.querySelector('[data-steadiness]')?.remove();
    return copy.textContent!.replace(/\d+/g, '#');
  });

test.use({ book: 'empty', drivePace: 1, isLive: true });

test('blind and alone, from the seat by the rim and the feet alone: the program loads it, and nothing tells which', async ({
  page,
  server,
}) => {
  await beginWithPlainWheel(page, server.url, 'Marl 850');

  // All that the page is sent from here on; the sealed sides are read in it.
  await page.addInitScript(() => {
    const sent: string[] = [];
    (window as unknown as { sent: string[] }).sent = sent;
    const real = window.fetch.bind(window);
    window.fetch = async (...asked) => {
      const answer = await real(...asked);
      sent.push(await answer.clone().text());
      return answer;
    };
  });
  const sent = () => page.evaluate(() => (window as unknown as { sent: string[] }).sent);
  const sealed = async () =>
    [...(await sent()).join('\n').matchAll(/"sealed":"([0-9a-f]{48})"/g)].map(([, side]) => side!);

  await page.goto(`${server.url}/seat?do=verdict`);
  await say(page, 'Press the button that shall mean yes', YES);
  await say(page, 'Now the one that shall mean no', NO);
  await say(page, 'Did it change anything?', NO);
  await say(page, 'Could I tell?', YES);
  await say(page, 'Here, and alone?', YES);

  const seen: string[] = [];
  let before = '';
  for (const pair of [1, 2]) {
    for (const ride of [2 * pair - 1, 2 * pair]) {
      const which = ride % 2 === 1 ? 'the first' : 'the second';
      await expect(page.getByRole('main').getByText(`Ride ${ride}: ${which} of pair ${pair}`)).toBeVisible();
      const main = page.getByRole('main');
      await expect(main).toHaveAttribute('data-drive', 'driving');
      await hands(page, { throttle: 0.6 });
      if (ride === 1) await expectAccessible(page, 'a blind ride');
      if (ride === 2) {
        // What went wrong is driven again.
        await hands(page, { throttle: 0 });
        await pull(page, NO);
        await expect(main).toHaveAttribute('data-drive', 'loading');
        await expect(main).toHaveAttribute('data-drive', 'driving');
        await hands(page, { throttle: 0.6 });
      }
      seen.push(await shown(main));
      await expect(page.getByText('Take your feet off the pedals')).toBeVisible();
      await hands(page, { throttle: 0 });
    }
    await say(page, 'Can you say which was B?', YES);
    await expect(prompt(page)).toHaveText('Was the second one B?');
    // Whoever could open what is sealed would know it. This driver does, and says the other one.
    const second = openSide((await sealed()).at(-1)!)!;
    before = (await sent()).join('\n');
    await pull(page, second === 'B' ? NO : YES);
  }
  await expect(prompt(page)).toHaveText(/^Not shown: 0 of 2 right/);

  // A ride looks like any other, but for its number.
  const plain = (text: string) => text.replace(/the (first|second) of/, 'one of');
  expect(new Set(seen.map(plain)).size).toBe(1);
  expect(seen[0]).not.toMatch(/km\/h|rpm|ebb|0 ⇄/);
  expect(new Set(await sealed()).size).toBe(5);
  // What came before the last answer names no order.
  expect(before).not.toMatch(/"orders":\["(AB|BA)|"side":"[AB]"/);
});
