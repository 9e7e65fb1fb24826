import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './run.mjs';

const DEFAULT_PORT = '4173';

/** Serves the built (or, for development, the live) application until it is told to stop. */
export function serve({ folder, demo = false, dev = false }) {
  const port = process.env.PORT ?? DEFAULT_PORT;
  const host = process.env.HOST ?? '127.0.0.1';
  const next = join(root, 'node_modules', 'next', 'dist', 'bin', 'next');
  const server = spawn(process.execPath, [next, dev ? 'dev' : 'start', '-p', port, '-H', host], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      PEBBLE_DATA: folder,
      PEBBLE_DEMO: demo ? '1' : '',
      NEXT_MANUAL_SIG_HANDLE: '1',
      NEXT_TELEMETRY_DISABLED: '1',
    },
  });
  let said = '';
  server.stdout.on('data', (chunk) => {
    said += chunk;
    if (dev) process.stdout.write(chunk);
    if (!/Ready in/.test(said) || said === 'done') return;
    said = 'done';
    process.stdout.write(
      `\nPebble Road is at http://${host}:${port}\nIts book is in ${folder}\nStop it with Ctrl C.\n`,
    );
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
