import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { progressBar } from './progress.mjs';
import { root, run } from './run.mjs';

const stampFile = join(root, 'node_modules', '.pebble-installed');

/** What installs the locked packages: to run the program, or all, with what tests it. */
const ci = (isWhole) => [
  'ci',
  '--no-audit',
  '--no-fund',
  '--loglevel=error',
  ...(isWhole ? [] : ['--omit=dev']),
];

/** What was installed, as one word; `whole` goes for `run` as well. */
function stamps() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(process.version.split('.')[0])
    .digest('hex');
  return { run: `${lock} to run`, whole: `${lock} whole` };
}
function isInstalled(isWhole) {
  if (!existsSync(stampFile)) return false;
  const { run: toRun, whole } = stamps();
  const stamp = readFileSync(stampFile, 'utf8');
  return stamp === whole || (!isWhole && stamp === toRun);
}
const keepStamp = (isWhole) => writeFileSync(stampFile, isWhole ? stamps().whole : stamps().run);

/**
 * Installs the locked packages where they are missing or the lock has changed.
 * @param isWhole with what only tests need
 */
export function ensureInstalled({ isWhole = false } = {}) {
  if (isInstalled(isWhole)) return;
  process.stderr.write('Installing packages (once)…\n');
  run('npm', ci(isWhole), { stdout: 'stderr' });
  keepStamp(isWhole);
}

/** The same for whoever starts the program: only what running it needs, with a bar. */
export async function installToRun() {
  if (isInstalled(false)) return;
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const needed = Object.keys(packages).filter(
    (path) => path !== '' && !packages[path].dev && !packages[path].optional,
  );
  const arrived = () => needed.filter((path) => existsSync(join(root, path, 'package.json'))).length;
  const bar = progressBar('Packages (once)');
  const look = setInterval(() => bar.at(Math.min(0.99, arrived() / needed.length)), 500);
  const child = spawn('npm', ci(false), {
    cwd: root,
    stdio: ['ignore', 2, 2],
    shell: process.platform === 'win32',
  });
  const status = await new Promise((resolve) => child.once('close', resolve));
  clearInterval(look);
  if (status !== 0) process.exit(status ?? 1);
  keepStamp(false);
  bar.done();
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
