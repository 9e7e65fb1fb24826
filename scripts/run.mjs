import { spawnSync } from 'node:child_process';
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

/** Runs a tool of node_modules with this very Node. */
export function runTool(path, args, options) {
  run(process.execPath, [`node_modules/${path}`, ...args], options);
}
