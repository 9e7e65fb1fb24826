import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run } from './run.mjs';

const stampFile = join(root, 'node_modules', '.pebble-installed');

/** Installs the locked packages where they are missing or the lock has changed. */
export function ensureInstalled() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(process.version.split('.')[0])
    .digest('hex');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === lock) return;
  process.stderr.write('Installing packages (once)…\n');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdout: 'stderr' });
  writeFileSync(stampFile, lock);
}

/** The browser that the tests drive: CHROMIUM, or a system's Chromium; installed from Debian's packages when root. */
export function ensureChromium() {
  const found = findChromium();
  if (found) return found;
  const isDebianRoot =
    process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (isDebianRoot) {
    process.stderr.write('Installing Chromium from the system packages (once)…\n');
    run('apt-get', ['update', '-qq'], { stdout: 'stderr' });
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { stdout: 'stderr' });
    const installed = findChromium();
    if (installed) return installed;
  }
  process.stderr.write(
    'The browser tests need Chromium. Install it (Debian: "sudo apt-get install chromium"), or set CHROMIUM to its path.\n',
  );
  process.exit(1);
}

function findChromium() {
  const places = [
    process.env.CHROMIUM,
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/Applications/Chromium.app/Contents/MacOS/Chromium',
  ];
  const known = places.find((place) => place && existsSync(place));
  if (known) return known;
  const which = spawnSync(process.platform === 'win32' ? 'where' : 'which', ['chromium'], {
    encoding: 'utf8',
  });
  return which.status === 0 ? which.stdout.split(/\r?\n/)[0] : undefined;
}
