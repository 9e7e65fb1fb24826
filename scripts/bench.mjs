// `npm run bench`: prints figures and ratios within one run; never a test, since machines differ.
import { ensureBuilt } from './build.mjs';
import { bundle } from './bundle.mjs';
import { ensureChromium, ensureInstalled } from './install.mjs';
import { run, runTool } from './run.mjs';

ensureInstalled({ isWhole: true });
run(process.execPath, [await bundle('bench/core.ts', 'bench')]);
if (process.argv.includes('--core')) process.exit(0);
await ensureBuilt();
runTool('@playwright/test/cli.js', ['test', '--config', 'bench/playwright.config.ts'], {
  env: { CHROMIUM: ensureChromium() },
});
