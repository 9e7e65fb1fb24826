import { spawn, spawnSync } from 'node:child_process';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/**
 * Runs a program to its end and stops this one where it fails.
 * `stdout: 'stderr'` keeps our own standard output clean.
 */
export function run(program, args, { stdout = 'inherit', env = {}, quiet = false } = {}) {
  const isWindowsScript = process.platform === 'win32' && program === 'npm';
  const result = spawnSync(program, args, {
    cwd: root,
    stdio: ['ignore', stdout === 'stderr' ? 2 : 'inherit', quiet ? 'ignore' : 'inherit'],
    env: { ...process.env, ...env },
    shell: isWindowsScript,
  });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Runs a tool of node_modules with this very Node; `flags` are Node's own. */
export function runTool(path, args, { flags = [], ...options } = {}) {
  run(process.execPath, [...flags, `node_modules/${path}`, ...args], options);
}

/** What tools of a few seconds take in hand is soon of no use: its place is made free less often, in larger pieces. */
const SELDOM_TIDIED = '--max-semi-space-size=64';

/**
 * The same beside what goes on here: it is started at once, and what it said comes when it is waited for.
 * @param isQuiet what it said comes only where it failed
 * @param onSaid hears it as it comes
 * @returns a function that waits for its end, and stops this program where it failed
 */
export function runToolBeside(path, args, { env = {}, isQuiet = false, onSaid } = {}) {
  const child = spawn(process.execPath, [SELDOM_TIDIED, `node_modules/${path}`, ...args], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (some) => {
      said += some;
      onSaid?.(String(some));
    });
  const ended = new Promise((resolve) => child.once('close', resolve));
  return async () => {
    const status = await ended;
    if (!isQuiet || status !== 0) process.stderr.write(said);
    if (status !== 0) process.exit(status ?? 1);
  };
}

/** Works through tasks, two at a time: each keeps one processor busy. */
export async function twoAtATime(tasks) {
  const left = [...tasks];
  const lane = async () => {
    for (let task = left.shift(); task; task = left.shift()) await task();
  };
  await Promise.all([lane(), lane()]);
}

/** Runs the unit tests. */
export function runJest(args, env) {
  runTool('jest/bin/jest.js', args, {
    // A database lives for seconds in a test: its code is compiled once, and not a second time for speed.
    flags: ['--liftoff-only', SELDOM_TIDIED],
    env: { NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --experimental-vm-modules`, ...env },
  });
}

/** Steps of a long run, each with its time; the last line says the whole. */
export function steps() {
  const started = Date.now();
  return {
    async step(name, work) {
      const from = Date.now();
      process.stderr.write(`\n— ${name}\n`);
      await work();
      process.stderr.write(`  ${((Date.now() - from) / 1000).toFixed(0)} s\n`);
    },
    finish: () =>
      process.stderr.write(`\nAll passed in ${((Date.now() - started) / 60000).toFixed(1)} min\n`),
  };
}
