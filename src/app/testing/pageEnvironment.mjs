// A page of the application and the server behind it in one process: the globals of Node, and a document beside them.
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { TestEnvironment } from 'jest-environment-node';
import { JSDOM } from 'jsdom';

/** Of these the page’s own count, not Node’s. */
const OF_THE_PAGE = ['Event', 'EventTarget', 'CustomEvent', 'MessageEvent'];

export default class PageEnvironment extends TestEnvironment {
  /** What a page does over and over ends with its window. */
  timers = [];

  async setup() {
    await super.setup();
    const dom = new JSDOM('<!doctype html><html lang="en"><body></body></html>', {
      url: 'http://localhost/',
      pretendToBeVisual: true,
    });
    this.dom = dom;
    const { global } = this;
    // React as it is delivered, without what it checks for developers.
    global.process.env.NODE_ENV = 'production';
    const every = global.setInterval;
    global.setInterval = (...asked) => {
      const timer = every(...asked);
      this.timers.push(timer);
      return timer;
    };
    const { window } = dom;
    for (const name of Object.getOwnPropertyNames(window))
      if (name !== 'window' && (!(name in global) || OF_THE_PAGE.includes(name)))
        Object.defineProperty(global, name, {
          get: () => window[name],
          set: (value) => (window[name] = value),
          configurable: true,
        });
    global.window = window;
    // The database looks for its files beside its own script, which it takes for one of the page’s where there is a document.
    const database = createRequire(import.meta.url).resolve('@electric-sql/pglite');
    Object.defineProperty(window.document, 'currentScript', {
      value: { src: pathToFileURL(database).href, tagName: 'SCRIPT' },
    });
    // Whoever asks the window for what Node has gets Node’s.
    for (const name of [
      'fetch',
      'Worker',
      'Blob',
      'File',
      'URL',
      'performance',
      'Request',
      'Response',
      'Headers',
    ])
      Object.defineProperty(window, name, {
        get: () => global[name],
        set: (value) => (global[name] = value),
        configurable: true,
      });
  }

  async teardown() {
    for (const timer of this.timers) clearInterval(timer);
    this.dom.window.close();
    await super.teardown();
  }
}
