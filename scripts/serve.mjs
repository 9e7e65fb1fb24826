import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './run.mjs';

const DEFAULT_PORT = '4173';
const THIS_MACHINE = /^(127(\.\d{1,3}){3}|localhost|::1|\[::1\])$/;

/** Serves the built (or, for development, the live) application until it is told to stop. */
export function serve({ folder, demo = false, dev = false }) {
  const port = process.env.PORT ?? DEFAULT_PORT;
  const host = process.env.HOST ?? '127.0.0.1';
  if (!/^\d{1,5}$/.test(port) || Number(port) > 65_535)
    refuse(`PORT is a number up to 65535, not "${port}".`);
  if (!THIS_MACHINE.test(host) && process.env.PEBBLE_OPEN_TO_NETWORK !== 'yes')
    refuse(
      `HOST=${host} would open the book to other machines: whoever reaches this one could read and change all of it, without ` +
        'any key. If that is what you want, on a network that you trust, set PEBBLE_OPEN_TO_NETWORK=yes as well, and name the ' +
        'host in PEBBLE_HOSTS.',
    );
  const server = spawn(process.execPath, [join(root, 'scripts', 'http.mjs'), ...(dev ? ['--dev'] : [])], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      PORT: port,
      HOST: host,
      PEBBLE_DATA: folder,
      PEBBLE_DEMO: demo ? '1' : '',
      PEBBLE_ASIDE: process.argv.includes('--aside') ? '1' : '',
      NEXT_TELEMETRY_DISABLED: '1',
    },
  });
  let said = '';
  server.stdout.on('data', (chunk) => {
    said += chunk;
    if (dev) process.stdout.write(chunk);
    if (!said.includes('Answering\n')) return;
    said = '';
    process.stdout.write(
      `\nPebble Road is at http://${host}:${port}\nIts book is in ${folder}\nStop it with Ctrl C.\n`,
    );
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}

function refuse(why) {
  process.stderr.write(`${why}\n`);
  process.exit(2);
}
