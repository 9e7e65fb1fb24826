import { AsyncLocalStorage } from 'node:async_hooks';

/** Cookies of one browser, as a request of it carries them. Stands in for `next/headers` in tests. */
export class Browser {
  readonly cookies: Map<string, string>;
  constructor(cookies: Iterable<[string, string]> = []) {
    this.cookies = new Map(cookies);
  }
  get = (name: string) => {
    const value = this.cookies.get(name);
    return value === undefined ? undefined : { name, value };
  };
  set = (name: string, value: string) => void this.cookies.set(name, value);
}

const asking = new AsyncLocalStorage<Browser>();
let only = new Browser();

export const cookies = () => Promise.resolve(asking.getStore() ?? only);

/** What is asked inside comes from this browser. */
export function askedBy<T>(browser: Browser, ask: () => Promise<T>): Promise<T> {
  return asking.run(browser, ask);
}

/** Whoever asks without a browser of their own begins without cookies again. */
export function forgetCookies(): void {
  only = new Browser();
}
