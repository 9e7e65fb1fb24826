import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, runTool } from './run.mjs';
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
  const sources = createHash('sha256');
  for (const input of INPUTS) addTo(sources, join(root, input));
  const stamp = sources.digest('hex');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  process.stderr.write('Building (once per change)…\n');
  runTool('next/dist/bin/next', ['build'], { stdout: 'stderr', env: { NEXT_TELEMETRY_DISABLED: '1' } });
  writeFileSync(stampFile, stamp);
}

function addTo(hash, path) {
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) addTo(hash, join(path, name));
    return;
  }
  if (/\.test\.tsx?$/.test(path)) return;
  hash.update(path.slice(root.length)).update(readFileSync(path));
}
