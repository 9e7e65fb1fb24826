import { expect, LONG, test, testLong } from './fixtures';
import { wrenScript, type Wren } from './wrenScript';

test.use({ book: 'empty', isLive: true });

// The way of `mine.spec.ts` with other words: it takes a minute of hands that move.
testLong(
  'who drives by hand alone goes the same way with paddles as pedals, and is asked of fingers',
  LONG,
  async ({ page, server }) => {
    test.setTimeout(600_000);
    await page.addInitScript(() => ((window as unknown as { byHand: boolean }).byHand = true));
    await page.addInitScript(wrenScript());
    await page.goto(server.url);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('The axes of the Home rig are settled', {
      timeout: 570_000,
    });
    const prompts = await page.evaluate(() => (window as unknown as { wren: Wren }).wren.prompts.join('\n'));
    expect(prompts).toMatch(/Rest your finger on the brake as when driving/);
    expect(prompts).toMatch(/Pull hard, as hard as is comfortable/);
    expect(prompts).toMatch(/Finger on the throttle, not pulling/);
    const ofPedals = prompts.replace(/^Press (the brake to its stop|any pedal|the button).*$/gm, '');
    expect(ofPedals).not.toMatch(/\bfoot\b|^Press /im);
    await page.goto(`${server.url}/axes/brake`);
    await expect(page.getByText('under a resting finger')).toBeVisible();
  },
);
