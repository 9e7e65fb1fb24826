// `npm run hostile`: treats the program badly and prints what became of it; not part of the tests, since it takes long.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './build.mjs';
import { ensureInstalled } from './install.mjs';
import { root, run } from './run.mjs';

ensureInstalled();
await ensureBuilt();
const { buildSync } = await import('esbuild');
const folder = join(root, 'node_modules', '.cache', 'pebble-road');
mkdirSync(folder, { recursive: true });
const outfile = join(folder, 'hostile.mjs');
buildSync({
  absWorkingDir: root,
  entryPoints: ['bench/hostile.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  outfile,
  logLevel: 'error',
  banner: {
    js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
  },
});
run(process.execPath, [outfile, ...process.argv.slice(2)]);
