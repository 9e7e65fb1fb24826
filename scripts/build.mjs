import { spawn } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { progressBar } from './progress.mjs';
import { root, runTool } from './run.mjs';
import { hashOf } from './sources.mjs';
import { ensureWorkers } from './workers.mjs';

const stampFile = join(root, '.next', 'pebble-built');
const INPUTS = [
  'src',
  'drizzle',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];

/** What the build says on its way, and how much of it is done by then. */
const STAGES = [
  ['Creating an optimized', 0.1],
  ['Compiled successfully', 0.7],
  ['Collecting page data', 0.75],
  ['Generating static pages', 0.85],
  ['Finalizing', 0.95],
];

/**
 * Builds the application where anything that goes into it has changed since the last build.
 * @param isShown with a bar, and without what the build says by itself
 */
export async function ensureBuilt({ isShown = false } = {}) {
  await ensureWorkers();
  const stamp = hashOf(INPUTS);
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  if (isShown) await builtWithBar();
  else {
    process.stderr.write('Building (once per change)…\n');
    runTool('next/dist/bin/next', ['build'], { stdout: 'stderr', env: { NEXT_TELEMETRY_DISABLED: '1' } });
  }
  writeFileSync(stampFile, stamp);
}

async function builtWithBar() {
  const bar = progressBar('Build (once per change)');
  const child = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (some) => {
      said += some;
      for (const [words, share] of STAGES) if (said.includes(words)) bar.at(share);
    });
  const status = await new Promise((resolve) => child.once('close', resolve));
  if (status !== 0) {
    process.stderr.write(`\n${said}`);
    process.exit(status ?? 1);
  }
  bar.done();
}
