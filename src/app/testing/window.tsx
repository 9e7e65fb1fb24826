import { resolveObjectURL } from 'node:buffer';
import { readdirSync } from 'node:fs';
import { basename, join, relative } from 'node:path';
import { MessageChannel, Worker as Thread } from 'node:worker_threads';
import { configure } from '@testing-library/dom';
import { startTransition, useSyncExternalStore, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { createRoot, type Root } from 'react-dom/client';
import { HERE_COOKIE } from '@/book/model/here';
import { bookInMemory } from '@/book/testing/bookInMemory';
import type { BookName } from '@/data/testing/bookForTests';
import { UnansweredFaults } from '@/stations/frame/UnansweredFaults';
import { ServerAway } from '@/ui/ServerAway';
import { answerCame } from './nextHeaders';
import { addressChanged, loads, Redirect, router } from './nextNavigation';

/*
 * Pages as a browser draws them, without one: what a page is drawn from comes from a book of the test's, its commands and
 * routes are our own, its workers are threads, and whatever it asks is answered in this process. What only a browser can tell
 * (canvas, layout, real devices, what is loaded, two windows) stays with the tests in `e2e/`.
 */

const APP = join(process.cwd(), 'src', 'app');
type Page = (asked: {
  params: Promise<Record<string, string>>;
  searchParams: Promise<Record<string, string>>;
}) => ReactNode | Promise<ReactNode>;
type Layout = (of: { children: ReactNode }) => Promise<ReactNode>;

/** Every page of the application, by the pattern of its address. */
const PAGES = filesCalled('page.tsx').map((file) => ({
  file,
  parts: relative(APP, join(file, '..'))
    .split('/')
    .filter((part) => part !== '' && part !== '(book)'),
  isFramed: file.includes('(book)'),
}));
// What is called by name comes before what anything may be called.
PAGES.sort((a, b) => Number(a.file.includes('[')) - Number(b.file.includes('[')));

function filesCalled(name: string): string[] {
  const found = readdirSync(APP, { recursive: true, encoding: 'utf8' });
  return found.filter((file) => basename(file) === name).map((file) => join(APP, file));
}

/** What a page leaves the window with. */
interface Shown {
  key: string;
  element: ReactNode;
}

async function drawn(at: URL): Promise<Shown> {
  const asked = at.pathname.split('/').filter(Boolean);
  for (const { file, parts, isFramed } of PAGES) {
    const params: Record<string, string> = {};
    const fits =
      parts.length === asked.length &&
      parts.every((part, i) => {
        const named = /^\[(\w+)\]$/.exec(part)?.[1];
        if (named) params[named] = decodeURIComponent(asked[i]!);
        return named !== undefined || part === asked[i];
      });
    if (!fits) continue;
    const { default: draw, metadata } = jest.requireActual<{ default: Page; metadata?: { title: string } }>(
      file,
    );
    if (metadata) document.title = metadata.title;
    const searchParams = Promise.resolve(Object.fromEntries(at.searchParams));
    const page = await draw({ params: Promise.resolve(params), searchParams });
    const layout = jest.requireActual<{ default: Layout }>(join(APP, '(book)', 'layout.tsx')).default;
    const key = isFramed ? 'frame' : at.pathname;
    const inner = <div key={at.pathname}>{page}</div>;
    return { key, element: isFramed ? await layout({ children: inner }) : inner };
  }
  throw new Error(`there is no page at ${at.pathname}`);
}

/** A page that leads elsewhere is followed. */
async function followed(at: URL): Promise<{ at: URL; shown: Shown }> {
  try {
    return { at, shown: await drawn(at) };
  } catch (error) {
    if (error instanceof Redirect) return followed(new URL(error.to, at));
    throw error;
  }
}

let shown: Shown | null = null;
const listeners = new Set<() => void>();
const show = (next: Shown | null) => {
  shown = next;
  addressChanged();
  for (const listener of listeners) listener();
};

function Window() {
  const now = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => shown,
  );
  return (
    <>
      <ServerAway />
      <UnansweredFaults />
      {now && <div key={`${loads.count} ${now.key}`}>{now.element}</div>}
    </>
  );
}

let asking = Promise.resolve();
/** One address after another: a window shows what it was led to last; `null` where it is, drawn again. */
function go(url: string | null, how: 'push' | 'replace'): Promise<void> {
  const load = loads.count;
  asking = asking.then(async () => {
    // What a page asked for that is no longer there is shown nowhere.
    if (load !== loads.count) return;
    const found = await followed(new URL(url ?? window.location.href, window.location.href));
    answerCame();
    if (load !== loads.count) return;
    if (how === 'push') window.history.pushState(null, '', found.at);
    else if (found.at.href !== window.location.href) window.history.replaceState(null, '', found.at);
    startTransition(() => show(found.shown));
  });
  return asking;
}
const failed = (error: unknown) => {
  faults.push(String(error instanceof Error ? error.stack : error));
};
Object.assign(router, {
  push: (url: string) => void go(url, 'push').catch(failed),
  replace: (url: string) => void go(url, 'replace').catch(failed),
  refresh: () => void go(null, 'replace').catch(failed),
  back: () => window.history.back(),
});

/** What went wrong behind the page, in the program's own words. */
const faults: string[] = [];

/** Asks a route of ours. */
function answer(input: string | URL | Request, init: RequestInit = {}): Promise<Response> {
  const answering = answered(input, init);
  pending.add(answering);
  void answering.catch(() => undefined).finally(() => pending.delete(answering));
  return answering;
}
const pending = new Set<Promise<unknown>>();

async function answered(input: string | URL | Request, init: RequestInit): Promise<Response> {
  const url = new URL(input instanceof Request ? input.url : input, window.location.href);
  const route = jest.requireActual<Record<string, (request: Request) => Promise<Response>>>(
    join(APP, url.pathname, 'route.ts'),
  );
  const headers = { host: url.host, 'sec-fetch-site': 'same-origin', ...(init.headers as object) };
  const method = init.method ?? 'GET';
  return route[method]!(new Request(url, { ...init, method, headers, duplex: 'half' } as RequestInit));
}

const threads = new Set<Thread>();

/** A thread is handed what is in a file, and not what it is called: that goes beside it. */
function withNames(value: unknown): unknown {
  if (value instanceof File)
    return { pageFile: new Blob([value]), name: value.name, lastModified: value.lastModified };
  if (Array.isArray(value)) return value.map(withNames);
  if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype)
    return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, withNames(one)]));
}

/** A web worker, as a thread (scripts/pageWorkers.mjs). */
class PageWorker extends EventTarget {
  readonly #thread: Thread;
  constructor(source: URL) {
    super();
    const { port1: ours, port2: requests } = new MessageChannel();
    ours.on('message', (asked: { id: number; url: string; method: string; body: BodyInit | null }) => {
      void answer(asked.url, { method: asked.method, body: asked.body }).then(async (said) => {
        ours.postMessage({ id: asked.id, status: said.status, body: await said.arrayBuffer() });
      });
    });
    ours.unref();
    const bundle = basename(source.pathname).replace(/\.ts$/, '.mjs');
    this.#thread = new Thread(join(process.env['PEBBLE_PAGE_WORKERS']!, bundle), {
      workerData: { requests },
      transferList: [requests],
    });
    threads.add(this.#thread);
    this.#thread.on('message', (data) => this.dispatchEvent(new MessageEvent('message', { data })));
    this.#thread.on('error', ({ message }) =>
      this.dispatchEvent(Object.assign(new Event('error', { cancelable: true }), { message })),
    );
  }
  postMessage(message: unknown, moved: Transferable[] | { transfer?: Transferable[] } = []) {
    this.#thread.postMessage(
      withNames(message),
      (Array.isArray(moved) ? moved : (moved.transfer ?? [])) as never,
    );
  }
  terminate() {
    threads.delete(this.#thread);
    void this.#thread.terminate();
  }
}

/** What a page has saved. */
export interface Saved {
  name: string;
  bytes: Uint8Array;
  text: string;
}

async function savedFrom(href: string): Promise<Saved> {
  if (href.startsWith('blob:')) return saved('', await resolveObjectURL(href)!.arrayBuffer());
  const said = await answer(href);
  const name = /filename="([^"]+)"/.exec(said.headers.get('content-disposition') ?? '')?.[1] ?? '';
  return saved(name, await said.arrayBuffer());
}
const saved = (name: string, content: ArrayBuffer): Saved => ({
  name,
  bytes: new Uint8Array(content),
  text: new TextDecoder().decode(content),
});

const FRAME_MS = 200;

class Watcher {
  observe() {}
  unobserve() {}
  disconnect() {}
}
/** Draws nothing, and answers everything. */
const nothing: unknown = new Proxy(() => nothing, {
  get: (_, name) => (name === Symbol.toPrimitive ? () => 0 : nothing),
  set: () => true,
});

/** A window on a book that was made before the tests; each test begins with a copy of its own. */
export function windowOn(begins: BookName) {
  const files: Saved[] = [];
  let root: Root | null = null;
  beforeAll(() => {
    configure({
      // As in a browser, what one event changes is drawn before the next one comes.
      eventWrapper(dispatch) {
        const isTaken: unknown = dispatch();
        flushSync(() => undefined);
        return isTaken;
      },
    });
    Object.assign(globalThis, {
      IS_REACT_ACT_ENVIRONMENT: false,
      Worker: PageWorker,
      ResizeObserver: Watcher,
      IntersectionObserver: Watcher,
      fetch: answer,
    });
    // Who writes the address by hand is heard as well.
    for (const how of ['pushState', 'replaceState'] as const) {
      const write = window.history[how].bind(window.history);
      window.history[how] = (...what) => {
        write(...what);
        addressChanged();
      };
    }
    // Whatever is drawn at the rate of a screen is drawn for nobody here.
    window.requestAnimationFrame = (draw) =>
      setTimeout(() => draw(performance.now()), FRAME_MS) as unknown as number;
    window.cancelAnimationFrame = (frame) => clearTimeout(frame);
    window.matchMedia = () => ({ matches: false, addEventListener() {}, removeEventListener() {} }) as never;
    const { prototype } = window.HTMLElement;
    Object.assign(prototype, {
      scrollIntoView() {},
      scrollTo() {},
      hasPointerCapture: () => false,
      setPointerCapture() {},
      releasePointerCapture() {},
    });
    window.HTMLCanvasElement.prototype.getContext = () => nothing as never;
    const save = (link: HTMLAnchorElement) =>
      savedFrom(link.href)
        .then((file) => files.push({ ...file, name: link.download || file.name }))
        .catch(failed);
    document.addEventListener('click', (event) => {
      const link = (event.target as Element).closest<HTMLAnchorElement>('a[download], a[href^="/api/"]');
      if (!link) return;
      event.preventDefault();
      void save(link);
    });
    // A link of a script stands nowhere in the page.
    window.HTMLAnchorElement.prototype.click = function () {
      if (this.isConnected) this.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
      else void save(this);
    };
  });
  beforeEach(() => {
    faults.length = 0;
    files.length = 0;
    document.cookie = `${HERE_COOKIE}=; path=/; max-age=0`;
    localStorage.clear();
    sessionStorage.clear();
    const place = document.body.appendChild(document.createElement('div'));
    root = createRoot(place);
    root.render(<Window />);
  });
  afterEach(async () => {
    root!.unmount();
    await asking;
    show(null);
    document.body.replaceChildren();
    for (const thread of threads) void thread.terminate();
    threads.clear();
    await Promise.allSettled([...pending]);
    expect(faults).toEqual([]);
  });
  // The last to be closed.
  const book = bookInMemory(begins, true);
  return {
    saved: files,
    /** The same window on another copy of the book that the test began with. */
    async otherBook() {
      await book.again();
    },
    /** Leads the window somewhere, as an address that is typed in does. */
    open: (url: string) => {
      loads.count++;
      show(null);
      return go(url, 'push');
    },
    /** Begins anew with what is in the book. */
    async reload() {
      loads.count++;
      show(null);
      await go(null, 'replace');
    },
  };
}
