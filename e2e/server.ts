import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const TEMPLATES = join(process.cwd(), 'test-results', 'books');

/** `begun` is the demo's before its evening, `few` the same with today's captures alone: less to copy, and to save. */
export type BookName = 'demo' | 'begun' | 'few' | 'empty';

/** A running server on a data folder of its own. */
export interface Server {
  url: string;
  folder: string;
  /** Whether it still runs. */
  isUp(): boolean;
  /** Goes on with the book of another folder. */
  exchange(folder: string): Promise<void>;
  /** What its routes stumbled over, in the program's own words. */
  faults(): string;
  /** Ends it at once, as a crash would. */
  kill(): Promise<void>;
  /** Ends it as Ctrl C does. */
  stop(): Promise<void>;
}

/**
 * A book lives for seconds here. The database's code is compiled once and not a second time for speed: that took a
 * third of what it takes to start.
 */
const QUICKLY_COMPILED = '--liftoff-only';

/** Each worker has its own ports, below those that a system gives to connections: nobody takes one in between. */
let lastPort = 21_000 + 1000 * Number(process.env['TEST_PARALLEL_INDEX'] ?? 9);

async function freePort(): Promise<number> {
  const port = ++lastPort;
  const isFree = await new Promise<boolean>((resolve) => {
    const probe = createServer();
    probe.on('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
  return isFree ? port : freePort();
}

/**
 * Starts the built application on a folder, and waits until it answers.
 * @param port where an earlier one answered; by default one that is free
 * @param databaseUrl a database of a server that holds the book, in place of the folder
 */
export async function startServer(
  folder: string,
  book: BookName,
  port?: number,
  databaseUrl?: string,
): Promise<Server> {
  port ??= await freePort();
  const flags = [QUICKLY_COMPILED, '--import', './e2e/exchangeBook.mjs'];
  const child: ChildProcess = spawn(process.execPath, [...flags, 'scripts/http.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PEBBLE_DATA: folder,
      PEBBLE_DEMO: book === 'demo' ? '1' : '',
      PORT: String(port),
      HOST: '127.0.0.1',
      NEXT_TELEMETRY_DISABLED: '1',
      ...(databaseUrl ? { DATABASE_URL: databaseUrl } : {}),
    },
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  });
  let said = '';
  child.stdout!.on('data', (chunk: Buffer) => (said += chunk.toString()));
  child.stderr!.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const end = async (signal: NodeJS.Signals) => {
    child.kill(signal);
    await gone;
  };
  const url = `http://127.0.0.1:${port}`;
  const deadline = Date.now() + 180_000;
  for (;;) {
    if (child.exitCode !== null || Date.now() > deadline)
      throw new Error(`the server did not start:\n${said}`);
    const answer = await fetch(`${url}/start`).catch(() => null);
    if (answer?.ok) break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const server: Server = {
    url,
    folder,
    isUp: () => child.exitCode === null && child.signalCode === null,
    async exchange(to) {
      const done = new Promise((resolve) => child.once('message', resolve));
      child.send({ folder: to });
      await done;
      said = '';
      server.folder = to;
    },
    faults: () => /^(GET|POST) [\s\S]*/m.exec(said)?.[0] ?? '',
    kill: () => end('SIGKILL'),
    stop: () => end('SIGTERM'),
  };
  return server;
}

/** A fresh copy of a prepared book. */
export function copyBook(book: BookName): string {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-e2e-'));
  cpSync(join(TEMPLATES, book), folder, { recursive: true });
  return folder;
}

export function removeBook(folder: string): void {
  rmSync(folder, { force: true, recursive: true });
}
