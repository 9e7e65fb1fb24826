import '@testing-library/jest-dom';
import { fireEvent } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { computeAccessibleName } from 'dom-accessibility-api';

/** A busy machine is given its time: how quick something is the bench says. */
const MOST_MS = Number(process.env['PEBBLE_PATIENCE'] ?? 60_000);
/** What is looked for is worked out in the same thread: the longer it is waited for, the less often is looked. */
const LOOK_AFTER_MS = [5, 10, 20, 40, 80];

/** The wall's own clock, whatever that of the page says. */
const now = performance.now.bind(performance);
const after = setTimeout;

/** Waits until something holds, and says what did not. */
export async function until<T>(look: () => T): Promise<T> {
  const deadline = now() + MOST_MS;
  for (let looks = 0; ; looks++) {
    try {
      return look();
    } catch (error) {
      if (now() > deadline) throw error;
    }
    await new Promise((resolve) => after(resolve, LOOK_AFTER_MS[looks] ?? 120));
  }
}

type Text = string | RegExp;
interface Named {
  name?: Text;
  exact?: boolean;
  level?: number;
}

const MOST_SAID = 1500;
const plain = (text: string | null) => (text ?? '').replaceAll(/\s+/g, ' ').trim();

function fits(text: string, wanted: Text, isExact = false): boolean {
  if (wanted instanceof RegExp) return wanted.test(text);
  return isExact ? text === wanted : text.toLowerCase().includes(wanted.toLowerCase());
}

/** Elements that have a role without being told so. */
const OF_THEMSELVES: Record<string, string> = {
  alert: '',
  article: 'article',
  banner: 'header',
  button: 'button, summary, input[type=button], input[type=submit]',
  checkbox: 'input[type=checkbox]',
  columnheader: 'th',
  combobox: 'select',
  definition: 'dd',
  form: 'form',
  group: 'fieldset, details',
  heading: 'h1, h2, h3, h4, h5, h6',
  img: 'img, svg[aria-label]',
  link: 'a[href]',
  list: 'ul, ol',
  listitem: 'li',
  main: 'main',
  navigation: 'nav',
  option: 'option',
  progressbar: 'progress',
  radio: 'input[type=radio]',
  region: 'section[aria-label], section[aria-labelledby]',
  row: 'tr',
  slider: 'input[type=range]',
  status: 'output',
  table: 'table',
  textbox: 'textarea, input:not([type]), input[type=text]',
};
function withRole(root: Element, role: string): Element[] {
  const own = OF_THEMSELVES[role];
  const selector = [`[role=${role}]`, ...(own ? own.split(', ').map((one) => `${one}:not([role])`) : [])];
  return [...root.querySelectorAll(selector.join(', '))];
}
const levelOf = (one: Element) => Number(one.getAttribute('aria-level') ?? one.tagName.slice(1));

/** At the width of a desk what is for other widths is not there. */
const SHOWN_AT_A_DESK = /^(sm|md|lg|xl):(block|flex|inline|inline-flex|grid|table|contents|table-cell)$/;
function isShown(element: Element): boolean {
  // A press on something else opens it.
  if (element instanceof HTMLInputElement && element.type === 'file') return true;
  for (let at: Element | null = element; at; at = at.parentElement) {
    if (at instanceof HTMLElement && (at.hidden || at.style.display === 'none')) return false;
    const classes = [...at.classList];
    if (classes.includes('lg:hidden') || classes.includes('sm:hidden')) return false;
    if (classes.includes('hidden') && !classes.some((one) => SHOWN_AT_A_DESK.test(one))) return false;
    const fold: HTMLDetailsElement | null = at.parentElement?.closest('details') ?? null;
    if (fold && !fold.open && !at.closest('summary') && fold.contains(at)) return false;
  }
  return true;
}
const isHeard = (element: Element) => element.closest('[aria-hidden=true], [inert]') === null;

/** What a key is called, as `user-event` writes it down. */
function typed(keys: string): string {
  const parts = keys.split('+').filter(Boolean);
  const last = keys === '+' ? '+' : parts.pop()!;
  const named = last.length > 1 ? `{${last}}` : last;
  const key = ({ Space: ' ', '[': '[[' } as Record<string, string>)[last] ?? named;
  return parts.map((held) => `{${held}>}`).join('') + key + parts.map((held) => `{/${held}}`).join('');
}

export const hand = userEvent.setup({ delay: null, pointerEventsCheck: 0, applyAccept: false });
/** What a page does at once about a key or a press is done before the next one. */
const settled = () => new Promise((resolve) => after(resolve, 20));
export async function press(keys: string) {
  await hand.keyboard(typed(keys));
  await settled();
}

export interface GivenFile {
  name: string;
  lastModified?: number;
  mimeType: string;
  buffer: Buffer;
}

/** Elements of the page, looked for anew whenever they are asked for; the words are those of the browser's tests. */
export class Locator {
  constructor(readonly all: () => Element[]) {}

  #below(find: (root: HTMLElement) => Element[]) {
    return new Locator(() => [
      ...new Set(this.all().flatMap((root) => find(root as HTMLElement).filter(isShown))),
    ]);
  }
  getByRole(role: string, { name, exact, level }: Named = {}) {
    return this.#below((root) =>
      withRole(root, role).filter(
        (one) =>
          isHeard(one) &&
          (!level || levelOf(one) === level) &&
          (name === undefined || fits(plain(computeAccessibleName(one)), name, exact)),
      ),
    );
  }
  getByText(text: Text, { exact }: { exact?: boolean } = {}) {
    return this.#below((root) => {
      const found: Element[] = [];
      /** Whether something below says it: then that is the one. */
      const look = (at: Element): boolean => {
        let isBelow = false;
        for (const child of at.children) if (look(child)) isBelow = true;
        if (isBelow) return true;
        // What holds much of the page says nothing by itself.
        const said = at.textContent;
        const isIt = said !== '' && said.length < MOST_SAID && fits(plain(said), text, exact);
        if (isIt) found.push(at);
        return isIt;
      };
      look(root);
      return found;
    });
  }
  getByLabel(text: Text, { exact }: { exact?: boolean } = {}) {
    return this.#below((root) => {
      const told = [...root.querySelectorAll('[aria-label]')].filter((one) =>
        fits(plain(one.getAttribute('aria-label')), text, exact),
      );
      const labelled = [...root.querySelectorAll('label')]
        .filter((label) => fits(plain(label.textContent), text, exact))
        .flatMap((label) => label.control ?? []);
      const pointed = [...root.querySelectorAll('[aria-labelledby]')].filter((one) =>
        fits(plain(computeAccessibleName(one)), text, exact),
      );
      return [...told, ...labelled, ...pointed];
    });
  }
  locator(selector: string) {
    return this.#below((root) => [...root.querySelectorAll(selector)]);
  }
  /** Its neighbours of a kind. */
  beside(selector: string) {
    return new Locator(() =>
      this.all().flatMap((one) =>
        [...one.parentElement!.children].filter((other) => other !== one && other.matches(selector)),
      ),
    );
  }
  filter({ hasText }: { hasText: Text }) {
    return new Locator(() => this.all().filter((one) => fits(plain(one.textContent), hasText)));
  }
  nth(i: number) {
    return new Locator(() => this.all().slice(i, i + 1));
  }
  first() {
    return this.nth(0);
  }

  /** The one element that it is; a second one would be a fault of the test. */
  one(): HTMLElement {
    const all = this.all();
    if (all.length !== 1) throw new Error(`${all.length} elements, not one: ${all.map(outline).join(' ')}`);
    return all[0] as HTMLElement;
  }
  async #ready(): Promise<HTMLElement> {
    return until(() => {
      const one = this.one();
      if ((one as HTMLButtonElement).disabled) throw new Error(`${outline(one)} is disabled`);
      return one;
    });
  }
  async click() {
    await hand.click(await this.#ready());
    await settled();
  }
  async fill(value: string) {
    const one = await this.#ready();
    one.focus();
    fireEvent.input(one, { target: { value } });
    await settled();
  }
  async press(keys: string) {
    (await this.#ready()).focus();
    await press(keys);
  }
  async focus() {
    (await this.#ready()).focus();
  }
  async blur() {
    (await this.#ready()).blur();
  }
  async check(isOn = true) {
    const one = (await this.#ready()) as HTMLInputElement;
    if (isChecked(one) !== isOn) await hand.click(one);
  }
  uncheck() {
    return this.check(false);
  }
  async selectOption(wanted: string | { label?: string; index?: number }) {
    const list = (await this.#ready()) as HTMLSelectElement;
    const option = await until(() => {
      const found = [...list.options].find((one, i) =>
        typeof wanted === 'string'
          ? one.value === wanted || plain(one.label) === wanted
          : wanted.label === plain(one.label) || wanted.index === i,
      );
      if (!found) throw new Error(`there is no ${JSON.stringify(wanted)} in ${outline(list)}`);
      return found;
    });
    await hand.selectOptions(list, option);
  }
  async setInputFiles(given: GivenFile | GivenFile[]) {
    const files = [given]
      .flat()
      .map(
        ({ name, mimeType, buffer, ...rest }) =>
          new File([new Uint8Array(buffer)], name, { type: mimeType, ...rest }),
      );
    const field = (await until(() => this.one())) as HTMLInputElement;
    // Folders come as their files do.
    Object.defineProperty(field, 'files', {
      value: Object.assign(files, { item: (i: number) => files[i] }),
      configurable: true,
    });
    fireEvent.change(field);
  }
  count() {
    return Promise.resolve(this.all().length);
  }
  isVisible() {
    return Promise.resolve(this.all().length > 0);
  }
  async waitFor() {
    await until(() => this.one());
  }
  textContent() {
    return until(() => this.one().textContent);
  }
  async inputValue() {
    return (await until(() => this.one() as HTMLInputElement)).value;
  }
  async allTextContents() {
    return this.all().map((one) => one.textContent);
  }
  async getAttribute(name: string) {
    return (await until(() => this.one())).getAttribute(name);
  }
}

const isChecked = (one: HTMLElement) =>
  one instanceof HTMLInputElement ? one.checked : one.getAttribute('aria-checked') === 'true';
const outline = (one: Element) => `<${one.tagName.toLowerCase()}> “${plain(one.textContent).slice(0, 60)}”`;

/** What is expected of elements; each waits until it holds. */
export function expectations(locator: Locator, isNot = false) {
  const holds = (what: string, check: (one: HTMLElement) => boolean, seen: (one: HTMLElement) => unknown) =>
    until(() => {
      const one = locator.one();
      if (check(one) === isNot)
        throw new Error(`${isNot ? 'it is' : 'it is not'} ${what}: ${String(seen(one))}`);
    });
  const text = (one: HTMLElement) => plain(one.textContent);
  const number = (wanted: number) =>
    until(() => {
      const all = locator.all();
      if ((all.length === wanted) === isNot)
        throw new Error(`${all.length} elements, not ${wanted}: ${all.map(outline).join(' ')}`);
    });
  return {
    get not() {
      return expectations(locator, !isNot);
    },
    toBeVisible: () => until(() => void locator.one()),
    toBeHidden: () => number(0),
    toHaveCount: number,
    toHaveText: (wanted: Text) => holds(`“${wanted}”`, (one) => fits(text(one), wanted, true), text),
    toContainText: (wanted: Text) => holds(`“${wanted}”`, (one) => fits(text(one), wanted), text),
    toHaveValue: (wanted: Text) => {
      const value = (one: HTMLElement) => (one as HTMLInputElement).value;
      return holds(`“${wanted}”`, (one) => fits(value(one), wanted, true), value);
    },
    toHaveAccessibleName: (wanted: Text) =>
      until(() => {
        const one = expect(locator.one());
        (isNot ? one.not : one).toHaveAccessibleName(wanted);
      }),
    toHaveAttribute: (name: string, wanted: Text) => {
      const value = (one: HTMLElement) => one.getAttribute(name) ?? '';
      return holds(`${name} “${wanted}”`, (one) => fits(value(one), wanted, true), value);
    },
    toBeDisabled: () => holds('disabled', (one) => (one as HTMLButtonElement).disabled, outline),
    toBeEnabled: () => holds('enabled', (one) => !(one as HTMLButtonElement).disabled, outline),
    toBeChecked: () => holds('checked', isChecked, outline),
    toBeFocused: () =>
      holds(
        'in focus',
        (one) => one === document.activeElement,
        () => document.activeElement && outline(document.activeElement),
      ),
  };
}
