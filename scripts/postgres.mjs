import { spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * A PostgreSQL server for tests: TEST_DATABASE_URL where it is set, else one of our own in a folder of its own.
 * Installed from Debian's packages when root; where there is none, says so.
 * @returns its address and how to stop it, or `null` where the tests on a server are skipped
 */
export async function startPostgres() {
  const named = process.env.TEST_DATABASE_URL;
  if (named) return { url: named, stop: () => undefined, kill: () => undefined, restart: null };
  const bin = findPostgres() ?? installPostgres();
  if (!bin) {
    process.stderr.write(
      'The tests on a PostgreSQL server are skipped: install one (Debian: "sudo apt-get install postgresql"), or set ' +
        'TEST_DATABASE_URL to a server of which a user may make databases.\n',
    );
    return null;
  }
  return ownServer(bin);
}

/** Where a system keeps the server's own programs; the newest first. */
function findPostgres() {
  const places = [process.env.POSTGRES_BIN];
  for (const root of ['/usr/lib/postgresql', '/opt/homebrew/opt', '/usr/local/opt']) {
    if (!existsSync(root)) continue;
    const versions = readdirSync(root).filter((name) => /^(\d+|postgresql@\d+)$/.test(name));
    versions.sort((a, b) => Number(b.replace(/\D/g, '')) - Number(a.replace(/\D/g, '')));
    places.push(...versions.map((version) => join(root, version, 'bin')));
  }
  return places.find((place) => place && existsSync(join(place, 'initdb')));
}

function installPostgres() {
  const isDebianRoot =
    process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (!isDebianRoot) return undefined;
  process.stderr.write('Installing PostgreSQL from the system packages (once)…\n');
  // Where the packages cannot be had the tests on a server are skipped, and that is said.
  for (const asked of [['update'], ['install', '-y', '--no-install-recommends', 'postgresql']])
    spawnSync('apt-get', ['-qq', ...asked], { stdio: ['ignore', 2, 2] });
  return findPostgres();
}

async function ownServer(bin) {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-postgres-'));
  const data = join(folder, 'data');
  const as = serverUser();
  if (as) chownSync(folder, as.uid, as.gid);
  const made = spawnSync(
    join(bin, 'initdb'),
    ['-D', data, '-U', 'pebble', '--auth=trust', '--encoding=UTF8', '--no-sync'],
    { ...as, cwd: folder, encoding: 'utf8' },
  );
  if (made.status !== 0) throw new Error(`initdb failed:\n${made.stdout}${made.stderr}`);
  const port = await freePort();
  const url = `postgres://pebble@127.0.0.1:${port}/postgres`;
  const log = join(folder, 'log');
  let child;
  // A run that stops at a fault leaves no server behind.
  process.once('exit', () => child?.kill('SIGINT'));
  const start = async () => {
    const settings = [
      'listen_addresses=127.0.0.1',
      'max_connections=200',
      `unix_socket_directories=${folder}`,
    ];
    child = spawn(
      join(bin, 'postgres'),
      ['-D', data, '-p', String(port), ...settings.flatMap((one) => ['-c', one])],
      // Into a file: whoever started it may be busy with something that reads no pipe.
      { ...as, cwd: folder, stdio: ['ignore', openSync(log, 'w'), openSync(log, 'a')] },
    );
    const deadline = Date.now() + 60_000;
    const said = () => readFileSync(log, 'utf8');
    while (!/ready to accept connections/.test(said())) {
      if (child.exitCode !== null || Date.now() > deadline)
        throw new Error(`PostgreSQL did not start:\n${said()}`);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };
  const end = async (signal) => {
    const gone = new Promise((resolve) => child.once('exit', resolve));
    if (child.exitCode === null && child.signalCode === null) {
      child.kill(signal);
      await gone;
    }
  };
  await start();
  return {
    url,
    /** Ends it at once, as a crash would; its children end by themselves when they miss it. */
    kill: () => end('SIGKILL'),
    /** After a crash: what is left of the old one has to end first. */
    async restart() {
      for (let tries = 1; ; tries++)
        try {
          return await start();
        } catch (error) {
          if (tries === 100) throw error;
          await new Promise((resolve) => setTimeout(resolve, 100));
        }
    },
    async stop() {
      await end('SIGINT');
      rmSync(folder, { force: true, recursive: true });
    },
  };
}

/** The server refuses to run as root: then it runs as the user that its package made. */
function serverUser() {
  if (process.getuid?.() !== 0) return undefined;
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

function freePort() {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}
