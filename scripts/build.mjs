import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
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

/** Builds the application where anything that goes into it has changed since the last build. */
export async function ensureBuilt() {
  await ensureWorkers();
  const stamp = hashOf(INPUTS);
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  process.stderr.write('Building (once per change)…\n');
  runTool('next/dist/bin/next', ['build'], { stdout: 'stderr', env: { NEXT_TELEMETRY_DISABLED: '1' } });
  writeFileSync(stampFile, stamp);
}
