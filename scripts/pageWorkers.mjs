// The application’s web workers as threads of Node, for tests that draw its pages without a browser.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { cache } from './bundle.mjs';
import { root } from './run.mjs';

/** What a worker of a page has around it: messages of its own, and requests that the page’s process answers. */
const AROUND = `
import { parentPort as pagePort, workerData as pageData } from 'node:worker_threads';
import { File as PageFile } from 'node:buffer';
{
  const heard = new EventTarget();
  globalThis.self = globalThis;
  globalThis.onmessage = null;
  globalThis.postMessage = (data, moved) => pagePort.postMessage(data, Array.isArray(moved) ? moved : moved?.transfer);
  globalThis.addEventListener = heard.addEventListener.bind(heard);
  globalThis.removeEventListener = heard.removeEventListener.bind(heard);
  const named = (value) => {
    if (value?.pageFile) return new PageFile([value.pageFile], value.name, { lastModified: value.lastModified });
    if (Array.isArray(value)) return value.map(named);
    if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype) return value;
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, named(one)]));
  };
  pagePort.on('message', (sent) => {
    const data = named(sent);
    const event = new MessageEvent('message', { data });
    globalThis.onmessage?.(event);
    heard.dispatchEvent(event);
  });
  const asked = new Map();
  let last = 0;
  pageData.requests.on('message', ({ id, status, body }) => {
    asked.get(id)(new Response(body, { status }));
    asked.delete(id);
  });
  pageData.requests.unref();
  globalThis.fetch = (url, { method = 'GET', body = null } = {}) =>
    new Promise((answer) => {
      asked.set(++last, answer);
      pageData.requests.postMessage({ id: last, url: String(url), method, body });
    });
}
`;

/** @returns the folder with a bundle for each worker, called as its source is */
export async function ensurePageWorkers() {
  const { build } = await import('esbuild');
  const folder = join(cache, 'page-workers');
  const sources = readdirSync(join(root, 'src', 'workers')).filter((name) => name.endsWith('.worker.ts'));
  await build({
    absWorkingDir: root,
    entryPoints: sources.map((name) => join('src', 'workers', name)),
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    banner: { js: AROUND },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
  });
  return folder;
}
