import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { progressBar } from './progress.mjs';
import { root, runToolBeside } from './run.mjs';
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
 * Builds the application where anything that goes into it has changed since the last build. What the build says by itself
 * is shown where it fails.
 * @param isShown with a bar, for whoever waits for the program to start
 */
export async function ensureBuilt({ isShown = false } = {}) {
  await ensureWorkers();
  const stamp = hashOf(INPUTS);
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  if (!isShown) process.stderr.write('Building (once per change)…\n');
  const bar = isShown ? progressBar('Build (once per change)') : null;
  let said = '';
  const ended = runToolBeside('next/dist/bin/next', ['build'], {
    env: { NEXT_TELEMETRY_DISABLED: '1' },
    isQuiet: true,
    onSaid(some) {
      said += some;
      for (const [words, share] of STAGES) if (said.includes(words)) bar?.at(share);
    },
  });
  await ended();
  bar?.done();
  writeFileSync(stampFile, stamp);
}
