import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import axe from 'axe-core';
import { itLong } from '@/core/testing/longRun';
import type { BookName } from '@/data/testing/bookForTests';
import { expectations, hand, Locator, press as pressKeys, until } from './locator';
import { windowOn, type Saved } from './window';

/** A page that is walked through, in the words of the browser's tests. */
export interface Page extends Pick<Locator, 'getByRole' | 'getByText' | 'getByLabel' | 'locator'> {
  goto(url: string): Promise<void>;
  reload(): Promise<void>;
  keyboard: { press(keys: string): Promise<void>; type(text: string): Promise<void> };
  /** The next file that it saves. */
  saved(): Promise<Saved & { path: string }>;
}

/** A test that walks through a copy of a book: what `it` does for a page of its own. */
export function walksOn(begins: BookName) {
  const { open, reload, saved, otherBook } = windowOn(begins);
  const whole = new Locator(() => [document.documentElement]);
  let taken = 0;
  beforeEach(() => void (taken = 0));
  const page: Page = {
    getByRole: whole.getByRole.bind(whole),
    getByText: whole.getByText.bind(whole),
    getByLabel: whole.getByLabel.bind(whole),
    locator: whole.locator.bind(whole),
    goto: open,
    reload,
    keyboard: { press: pressKeys, type: (text) => hand.keyboard(text.replaceAll(/[[{]/g, '$&$&')) },
    async saved() {
      const file = await until(() => {
        if (saved.length <= taken) throw new Error('nothing was saved');
        return saved[taken]!;
      });
      taken++;
      const path = join(mkdtempSync(join(tmpdir(), 'saved-')), file.name);
      writeFileSync(path, file.bytes);
      return { ...file, path };
    },
  };
  const walks =
    (test: jest.It) =>
    (name: string, walk: (around: { page: Page; otherBook(): Promise<void> }) => Promise<void>) =>
      test(name, () => walk({ page, otherBook }));
  return Object.assign(walks(it), {
    /** A way that takes many rides by nature: the long run goes it. */
    long: walks(itLong),
  });
}

const jestExpect = expect;

function expected(of: Locator): ReturnType<typeof expectations>;
function expected(of: Page): { toHaveURL(wanted: RegExp): Promise<void> };
function expected<T>(of: T): jest.JestMatchers<T>;
function expected(of: unknown): unknown {
  if (of instanceof Locator) return expectations(of);
  if (typeof of === 'object' && of !== null && 'keyboard' in of)
    return {
      toHaveURL: (wanted: RegExp) =>
        until(() => {
          if (!wanted.test(window.location.href)) throw new Error(`it is at ${window.location.href}`);
        }),
    };
  return jestExpect(of);
}
export { expected as expect };

/** Waits until all that is said in it holds. */
export async function eventually(holds: () => Promise<void>): Promise<void> {
  for (const deadline = performance.now() + 60_000; ;) {
    try {
      return await holds();
    } catch (error) {
      if (performance.now() > deadline) throw error;
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** A message as it stands on the screen; beside it the same is read aloud. */
export const message = (page: Page, text: string | RegExp) =>
  page.getByRole('region', { name: /^Messages/ }).getByText(text);

/** Chooses in the frame what to drive, and waits until the book has it. */
export async function choose(page: Page, kind: 'Title' | 'Car', name: string) {
  const sentence = page.getByRole('banner');
  await sentence.getByRole('button', { name: new RegExp(`^${kind}: `) }).click();
  await page.getByRole('menuitemradio', { name }).click();
  await expected(sentence.getByRole('button', { name: `${kind}: ${name}` })).toBeVisible();
}

/** Types into a field, and goes on: what is wrong with it is said then. */
export async function fill(page: Page, label: string, value: number | string) {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(String(value));
  await field.press('Tab');
}

export const csv = (name: string, text: string) => ({
  name,
  mimeType: 'text/csv',
  buffer: Buffer.from(text),
});
export const json = (name: string, text: string) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(text),
});

/** Names and roles are told here; contrast, sizes and all the rest only in a browser (e2e/axe.ts). */
const RULES = [
  'aria-input-field-name',
  'aria-required-attr',
  'aria-required-children',
  'aria-valid-attr',
  'aria-valid-attr-value',
  'button-name',
  'image-alt',
  'label',
  'link-name',
  'list',
  'select-name',
];

export async function expectAccessible(_page: Page, place: string): Promise<void> {
  const { violations } = await axe.run(document, { runOnly: RULES, reporter: 'no-passes', preload: false });
  const found = violations.map((v) => `${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
  jestExpect([place, found]).toEqual([place, []]);
}

/** From here on driving in real time goes so many times faster than the wall clock. */
export const driveAt = (pace: number) => void Object.assign(globalThis, { pebbleDrivePace: pace });

/** There is no picture that has to follow: it is driven fast. */
export function driveFast() {
  beforeEach(() => driveAt(16));
}

const HURRY = 4;
/** The clock of the page runs so many times faster than the wall's: what waits for hands and feet is over sooner. */
export function hurry() {
  // Node's own clock is shared by all tests of a process.
  const { setTimeout: after, setInterval: every } = globalThis;
  const { now } = performance;
  beforeAll(() => {
    const wall = now.bind(performance);
    const began = wall();
    performance.now = () => began + HURRY * (wall() - began);
    Object.assign(globalThis, {
      setTimeout: (act: () => void, ms = 0) => after(act, ms / HURRY),
      setInterval: (act: () => void, ms = 0) => every(act, ms / HURRY),
    });
  });
  afterAll(() => {
    performance.now = now;
    Object.assign(globalThis, { setTimeout: after, setInterval: every });
  });
}

/** What is asked in the seat. */
export const prompt = (page: Page) => page.getByRole('heading', { level: 1 });

/** A button on the simulated rig's rim. */
export const press = (page: Page, answer: 'Yes' | 'No') =>
  page
    .getByRole('group', { name: 'Simulated rig' })
    .getByRole('button', { name: answer, exact: true })
    .click();
