// `npm run bench`: prints figures and ratios within one run; never a test, since machines differ.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './build.mjs';
import { ensureChromium, ensureInstalled } from './install.mjs';
import { root, run, runTool } from './run.mjs';

ensureInstalled();
const { buildSync } = await import('esbuild');
const folder = join(root, 'node_modules', '.cache', 'pebble-road');
mkdirSync(folder, { recursive: true });
const outfile = join(folder, 'bench.mjs');
buildSync({
  absWorkingDir: root,
  entryPoints: ['bench/core.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  outfile,
  logLevel: 'error',
  banner: {
    js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
  },
});
run(process.execPath, [outfile]);
if (process.argv.includes('--core')) process.exit(0);
await ensureBuilt();
runTool('@playwright/test/cli.js', ['test', '--config', 'bench/playwright.config.ts'], {
  env: { CHROMIUM: ensureChromium() },
});
