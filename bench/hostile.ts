/**
 * `npm run hostile`: what a program meets that is treated badly. Prints figures for docs/reliability.md; takes about half
 * an hour whole, and can be asked for a part: `npm run hostile -- locks|inputs|requests|kills [rounds]`.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { cpus, tmpdir, totalmem } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import { analyseAllAxes } from '@/core/axes/analyseAxis';
import { packColumns } from '@/core/formats/packedColumns';
import { readRideCsv } from '@/core/formats/rideCsv';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { measureRide } from '@/core/rides/measureRide';
import { anyCapture, anyRide } from '@/core/testing/anyRecording';
import { anything, CAPTURE, damaged, damages, READERS, RIDE, WHEEL } from '@/core/testing/damage';
import { lockFolder } from '@/data/folderLock';

const say = (line: string) => process.stdout.write(`${line}\n`);
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const fail = (why: string): never => {
  process.stderr.write(`FAILED: ${why}\n`);
  process.exit(1);
};
const [part = 'all', rounds] = process.argv.slice(2);
const wants = (name: string) => part === 'all' || part === name;
const count = (usual: number) => Number(rounds ?? usual);

/** Five programs at once on one folder, each killed at the end of its round: exactly one of them may own it. */
async function locks(folder: string, n: number): Promise<void> {
  const place = join(folder, 'contested');
  for (let round = 0; round < n; round++) {
    const all = Array.from({ length: 5 }, () => {
      const child = spawn(process.execPath, [process.argv[1]!, 'starter', place], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      return {
        child,
        said: new Promise<string>((done) => child.stdout.once('data', (d: Buffer) => done(String(d).trim()))),
      };
    });
    const owners = (await Promise.all(all.map(({ said }) => said))).filter((word) => word === 'owner').length;
    for (const { child } of all) await ended(child);
    if (owners !== 1) fail(`${owners} owners in round ${round}`);
  }
  say(`locks: ${n} rounds of 5 starters, one owner in each`);
}

async function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((done) => child.once('exit', done));
  child.kill('SIGKILL');
  await gone;
}

/** Files that are none, and files with faults in them, through every reader and what is worked out of what they read. */
function inputs(n: number): void {
  let slowest = 0;
  let slow = '';
  let taken = 0;
  let done = 0;
  const timed = (what: string, work: () => boolean) => {
    const from = performance.now();
    if (work()) taken++;
    const took = performance.now() - from;
    if (took > slowest) [slowest, slow] = [took, what];
    done++;
  };
  const readers = Object.entries(READERS);
  const numRuns = Math.ceil(n / (readers.length + 3));
  for (const [name, read] of readers)
    fc.assert(
      fc.property(anything, (text) => timed(name, () => read(text).ok)),
      { numRuns },
    );
  fc.assert(
    fc.property(fc.constantFrom(CAPTURE, WHEEL), damages, (capture, by) =>
      timed('damaged capture', () => {
        const read = readCaptureCsv(damaged(capture, by));
        return read.ok && analyseAllAxes(read.value).ok;
      }),
    ),
    { numRuns: 2 * numRuns },
  );
  fc.assert(
    fc.property(damages, (by) =>
      timed('damaged ride', () => {
        const read = readRideCsv(damaged(RIDE, by));
        if (read.ok) measureRide(read.value);
        return read.ok;
      }),
    ),
    { numRuns },
  );
  say(
    `inputs: ${done} files, none threw, ${taken} were taken; the slowest ${slowest.toFixed(0)} ms (${slow}); ${memory(process.pid)} MB at the end`,
  );
}

interface Running {
  child: ChildProcess;
  url: string;
  said(): string;
}

async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** A program that was started and has not said anything yet. */
function begun(folder: string, port: number): ChildProcess {
  return spawn(process.execPath, ['scripts/http.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PEBBLE_DATA: folder,
      PEBBLE_DEMO: '1',
      PORT: String(port),
      HOST: '127.0.0.1',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
}

async function start(folder: string): Promise<Running> {
  const port = await freePort();
  const child = begun(folder, port);
  let said = '';
  for (const stream of [child.stdout!, child.stderr!])
    stream.on('data', (chunk: Buffer) => (said += String(chunk)));
  while (!said.includes('Answering')) {
    if (child.exitCode !== null) fail(`the server did not start: ${said}`);
    await pause(20);
  }
  return { child, url: `http://127.0.0.1:${port}`, said: () => said };
}

/** Resident memory of a process in MB; `NaN` where the system does not tell it so. */
function memory(pid: number): number {
  const file = `/proc/${pid}/status`;
  if (!existsSync(file)) return NaN;
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(file, 'utf8'))?.[1] ?? NaN) / 1024);
}

const post = (url: string, body: BodyInit, headers: Record<string, string> = {}) =>
  fetch(url, { method: 'POST', body, headers, duplex: 'half' } as RequestInit);

/** Requests that nobody should send, one after the other and some at once; pages are asked for in between. */
async function requests(folder: string, n: number): Promise<void> {
  const place = join(folder, 'requests');
  const { child, url } = await start(place);
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

  // A body of 700 MB, with and without saying so.
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

  // Long work beside pages.
  const zip = await (await fetch(`${url}/api/backup`)).arrayBuffer();
  for (const [name, work] of [
    ['save', () => fetch(`${url}/api/backup`)],
    ['dry run', () => post(`${url}/api/backup?dry`, zip)],
    ['restore', () => post(`${url}/api/backup`, zip)],
    ['upload of 600,000 rows', () => post(`${url}/api/captures`, longCapture())],
  ] as const) {
    const before = memory(child.pid!);
    let most = before;
    let done = false;
    const waits: number[] = [];
    const working = work().then(async (answer) => {
      await answer.arrayBuffer();
      done = true;
      return answer.status;
    });
    while (!done) {
      const from = performance.now();
      await (await fetch(`${url}/shape/brake`)).text();
      waits.push(performance.now() - from);
      most = Math.max(most, memory(child.pid!));
      await pause(10);
    }
    waits.sort((a, b) => a - b);
    const at = (p: number) => waits[Math.min(waits.length - 1, Math.floor(p * waits.length))]!.toFixed(0);
    say(
      `a page during ${name} (${await working}): median ${at(0.5)} ms, 99 of 100 within ${at(0.99)} ms, the worst ${at(1)} ms of ${waits.length}; memory ${before} MB before, ${most} MB at most`,
    );
  }
  await ended(child);
}

/** Ten minutes at 1 kHz with five axes. */
function longCapture(): Uint8Array<ArrayBuffer> {
  const rows = 600_000;
  const column = (k: number) =>
    Float64Array.from({ length: rows }, (_, i) => Math.round(30_000 + 29_000 * Math.sin(i / (900 + k))));
  const capture = {
    device: 'x',
    rangeMin: 0,
    rangeMax: 65_535,
    rateHz: 1000,
    runs: [{ label: 'idle', from: 0, to: rows }],
    guide: null,
  };
  const head = { id: 'long', axis: 'brake', status: 'draft', origin: 'file', fromRow: 0, capture };
  const t = Float64Array.from({ length: rows }, (_, i) => i / 1000);
  return packColumns({
    head,
    columns: {
      t,
      brake: column(0),
      throttle: column(1),
      clutch: column(2),
      steering: column(3),
      handbrake: column(4),
    },
  }) as Uint8Array<ArrayBuffer>;
}

/** In the middle of the simulated weeks. */
const CUT_AFTER_MS = 9000;
const DEMO_CAPTURES = 58;

/** A program under load is killed again and again; what was acknowledged must be there afterwards, to the bit. */
async function kills(folder: string, n: number): Promise<void> {
  const place = join(folder, 'kills');
  // The demo is killed while it fills, and must be whole the next time.
  const cut = begun(place, await freePort());
  await pause(CUT_AFTER_MS);
  await ended(cut);
  const first = await start(place);
  const zip = await (await fetch(`${first.url}/api/backup`)).arrayBuffer();
  const captured = Object.keys(unzipSync(new Uint8Array(zip))).filter((name) =>
    name.startsWith('captures/'),
  ).length;
  if (captured !== DEMO_CAPTURES) fail(`a demo that was cut off has ${captured} captures`);
  await ended(first.child);
  const kept = new Map<string, string>();
  let acknowledged = 0;
  let restores = 0;
  const captures = fc.sample(
    anyCapture.filter(({ t }) => t.length > 0),
    400,
  );
  const rides = fc.sample(anyRide, 400);
  for (let round = 0; round < n; round++) {
    const { child, url, said } = await start(place);
    for (const [path, text] of kept) {
      const found = await (await fetch(url + path)).text();
      if (found !== text) fail(`round ${round}: ${path} is not what was acknowledged`);
    }
    let alive = true;
    const working = [0, 1, 2].map(async (lane) => {
      for (let i = 0; alive; i++) {
        const k = (round * 31 + lane * 7 + i) % 400;
        const id = `k${round}-${lane}-${i}`;
        const { axis, head, t, axes } = captures[k]!;
        const [path, sent] =
          lane === 0
            ? [
                '/api/rides',
                packColumns({
                  head: { trackId: 'saltmarsh-loop', seed: k, settings: {}, notes: {} },
                  columns: rides[k]!.columns as Record<string, Float64Array>,
                }),
              ]
            : [
                '/api/captures',
                packColumns({
                  head: { id, axis, status: 'draft', origin: 'guided', fromRow: 0, capture: head },
                  columns: { t, ...axes },
                }),
              ];
        const answer = await post(url + path, sent as Uint8Array<ArrayBuffer>).catch(() => null);
        if (!answer?.ok) continue;
        const reply = (await answer.json().catch(() => null)) as { id?: string } | null;
        if (!reply) continue;
        acknowledged++;
        if (!reply.id) continue;
        const ride = `/api/rides/file?id=${reply.id}`;
        const text = await fetch(url + ride)
          .then((one) => one.text())
          .catch(() => null);
        if (text !== null && kept.size < 300) kept.set(ride, text);
      }
    });
    if (round % 5 === 4) {
      restores++;
      // What was acknowledged before may be replaced by then: only that the book is whole counts.
      kept.clear();
      void post(`${url}/api/backup`, zip).catch(() => null);
      await pause(300 + ((round * 997) % 9000));
      await ended(child);
      kept.clear();
    } else {
      await pause(100 + ((round * 613) % 1400));
      await ended(child);
    }
    alive = false;
    await Promise.all(working);
    if (/not whole|cannot be read/.test(said())) fail(`round ${round}: ${said()}`);
  }
  const last = await start(place);
  const whole = await fetch(`${last.url}/api/backup`);
  if (whole.status !== 200) fail(`the book cannot be saved: ${await whole.text()}`);
  await whole.arrayBuffer();
  await ended(last.child);
  say(
    `kills: ${n} (${restores} of them during a restore), ${acknowledged} acknowledged writes, none lost; the book is saved and read back whole`,
  );
}

// Started again as one of many programs on one folder, it says whether it owns it and waits to be killed.
if (part === 'starter') {
  await lockFolder(rounds!).then(
    () => say('owner'),
    () => say('refused'),
  );
  setInterval(() => undefined, 1000);
} else {
  say(
    `${new Date().toISOString().slice(0, 10)}, Node ${process.version}, ${cpus().length} cores (${cpus()[0]?.model}), ${Math.round(totalmem() / 2 ** 30)} GiB`,
  );
  const folder = mkdtempSync(join(tmpdir(), 'pebble-hostile-'));
  try {
    if (wants('locks')) await locks(folder, count(100));
    if (wants('inputs')) inputs(count(90_000));
    if (wants('requests')) await requests(folder, count(10_000));
    if (wants('kills')) await kills(folder, count(100));
  } finally {
    rmSync(folder, { force: true, recursive: true });
  }
}
