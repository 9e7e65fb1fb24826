import { join } from 'node:path';
import fc from 'fast-check';
import { packColumns } from '@/core/formats/packedColumns';
import { anything } from '@/core/testing/damage';
import { besidePages } from './besidePages';
import { ended, fail, memory, post, say, start, type Running } from './program';

export async function requests(folder: string, n: number): Promise<void> {
  const running = await start(join(folder, 'requests'));
  await bad(running, n);
  await tooLarge(running);
  await besidePages(running);
  await ended(running.child);
}

/** Requests that nobody should send, one after the other and some at once; pages are asked for in between. */
async function bad({ child, url }: Running, n: number): Promise<void> {
  await fetch(`${url}/axes/brake`);
  await fetch(`${url}/axes/brake`);
  const base = memory(child.pid!);
  let peak = base;
  const statuses = new Map<string, number>();
  let slowest = 0;
  const routes = ['/api/captures', '/api/rides', '/api/backup', '/api/backup?dry', '/api/backup/save?x'];
  const pages = [
    '/axes',
    '/shape/brake',
    '/force?part=feels&like=numb',
    '/api/captures/file',
    '/api/rides/file',
    '/api/captures/draft',
  ];
  const body = fc.oneof(
    { weight: 3, arbitrary: anything.map((text): BodyInit => text) },
    fc.uint8Array({ maxLength: 4000 }).map((bytes): BodyInit => bytes as Uint8Array<ArrayBuffer>),
    fc
      .jsonValue()
      .map(
        (head): BodyInit =>
          packColumns({ head, columns: { t: Float64Array.of(0, 1) } }) as Uint8Array<ArrayBuffer>,
      ),
  );
  const query = fc.string({ unit: 'binary', maxLength: 60 }).map((text) => {
    const odd = encodeURIComponent(text.replace(/\p{Cs}/gu, ''));
    return `?id=${odd}&axis=${odd}`;
  });
  const one = fc.oneof(
    fc.tuple(fc.constantFrom(...routes.slice(0, 4)), body).map(
      ([path, sent]) =>
        () =>
          post(url + path, sent),
    ),
    fc.tuple(fc.constantFrom(...pages), query).map(
      ([path, more]) =>
        () =>
          fetch(url + path.replace(/\?.*/, '') + more),
    ),
    fc.tuple(fc.constantFrom('/axes', '/card'), anything).map(
      ([path, sent]) =>
        () =>
          post(url + path, sent, {
            'next-action': '40'.padEnd(42, '0'),
            'content-type': 'text/plain;charset=UTF-8',
          }),
    ),
  );
  const ask = async (call: () => Promise<Response>) => {
    const from = performance.now();
    const answer = await call();
    await answer.arrayBuffer();
    slowest = Math.max(slowest, performance.now() - from);
    const kind = `${Math.floor(answer.status / 100)}xx`;
    statuses.set(kind, (statuses.get(kind) ?? 0) + 1);
    if (answer.status >= 500 && answer.status !== 503 && answer.status !== 507)
      fail(`status ${answer.status}: ${answer.url}`);
  };
  const calls = fc.sample(one, n);
  for (let i = 0; i < calls.length; i += 4) {
    await Promise.all(calls.slice(i, i + 4).map(ask));
    if (i % 400 === 0) peak = Math.max(peak, memory(child.pid!));
  }
  say(
    `requests: ${n} bad ones, answers ${[...statuses].map(([kind, k]) => `${kind} ${k}`).join(', ')}; the slowest ${slowest.toFixed(0)} ms; memory ${base} MB before, ${peak} MB at most`,
  );
}

/** A body of 700 MB, with and without saying so. */
async function tooLarge({ child, url }: Running): Promise<void> {
  for (const withLength of [true, false]) {
    const before = memory(child.pid!);
    let most = before;
    const chunk = new Uint8Array(1 << 20);
    let sent = 0;
    const stream = new ReadableStream({
      pull(controller) {
        most = Math.max(most, memory(child.pid!));
        if (sent++ < 700) controller.enqueue(chunk);
        else controller.close();
      },
    });
    const answer = await post(
      `${url}/api/backup`,
      stream,
      withLength ? { 'content-length': String(700 << 20) } : {},
    ).catch((error: Error) => error);
    say(
      `a body of 700 MB, ${withLength ? 'announced' : 'not announced'}: ${answer instanceof Error ? 'cut off' : answer.status} after ${sent} MB; memory ${before} MB before, ${most} MB at most`,
    );
  }
}
