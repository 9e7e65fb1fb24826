// Bundles what the server runs in threads of its own; called by the build, and by the unit tests before they start.
import { mkdirSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './run.mjs';

export async function ensureWorkers() {
  const { buildSync } = await import('esbuild');
  const folder = join(root, 'node_modules', '.cache', 'pebble-road');
  mkdirSync(folder, { recursive: true });
  const fresh = join(folder, `server.worker.${process.pid}.mjs`);
  buildSync({
    absWorkingDir: root,
    entryPoints: ['src/data/server.worker.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    conditions: ['react-server'],
    outfile: fresh,
    logLevel: 'error',
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
  });
  renameSync(fresh, join(folder, 'server.worker.mjs'));
}
