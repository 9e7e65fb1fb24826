import type { Page } from '@playwright/test';
import axe from 'axe-core';
import { expect } from './fixtures';

declare global {
  interface Window {
    axe: typeof axe;
  }
}

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/**
 * Fails on what axe finds, in both themes. They differ in colour alone: in the dark one only the contrast is looked at
 * again.
 */
export async function expectAccessible(page: Page, place: string): Promise<void> {
  if (await page.evaluate(() => !('axe' in window))) await page.evaluate(axe.source);
  for (const [colorScheme, runOnly] of [
    ['dark', ['color-contrast']],
    ['light', RULES],
  ] as const) {
    // A colour on its way to another one would be read as neither.
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    const found = await page.evaluate(
      async (only) => {
        const { violations } = await window.axe.run(document, {
          runOnly: only,
          // What passes is not described: that takes longer than to find what does not.
          reporter: 'no-passes',
          preload: false,
        });
        return violations.map((v) => `${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
      },
      [...runOnly],
    );
    expect(found, `${place}, ${colorScheme}`).toEqual([]);
  }
}
