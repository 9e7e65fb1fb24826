// `npm run -s pebble -- <command> …`: bundles the command line where it is stale, then runs it.
import { mkdirSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureInstalled } from './install.mjs';
import { root } from './run.mjs';

ensureInstalled();
const { buildSync } = await import('esbuild');
const folder = join(root, 'node_modules', '.cache', 'pebble-road');
mkdirSync(folder, { recursive: true });
const bundle = join(folder, 'pebble.mjs');
const fresh = join(folder, `pebble.${process.pid}.mjs`);
buildSync({
  absWorkingDir: root,
  entryPoints: ['src/cli/pebble.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  outfile: fresh,
  logLevel: 'error',
  banner: {
    js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
  },
});
renameSync(fresh, bundle);
await import(pathToFileURL(bundle).href);
