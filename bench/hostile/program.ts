import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';

export const say = (line: string) => process.stdout.write(`${line}\n`);
export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
export const fail = (why: string): never => {
  process.stderr.write(`FAILED: ${why}\n`);
  process.exit(1);
};

export interface Running {
  child: ChildProcess;
  url: string;
  said(): string;
}

export async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** A program that was started and has not said anything yet. */
export function begun(folder: string, port: number, databaseUrl?: string): ChildProcess {
  return spawn(process.execPath, ['scripts/http.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PEBBLE_DATA: folder,
      PEBBLE_DEMO: '1',
      PORT: String(port),
      HOST: '127.0.0.1',
      ...(databaseUrl ? { DATABASE_URL: databaseUrl } : {}),
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
}

export async function start(folder: string, databaseUrl?: string): Promise<Running> {
  const port = await freePort();
  const child = begun(folder, port, databaseUrl);
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
export function memory(pid: number): number {
  const file = `/proc/${pid}/status`;
  if (!existsSync(file)) return NaN;
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(file, 'utf8'))?.[1] ?? NaN) / 1024);
}

export async function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((done) => child.once('exit', done));
  child.kill('SIGKILL');
  await gone;
}

export const post = (url: string, body: BodyInit, headers: Record<string, string> = {}) =>
  fetch(url, { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
