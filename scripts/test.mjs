// `npm test`: installs what is missing, then lint, types, unit tests, build and browser tests. Stops at the first fault.
import { ensureBuilt } from './build.mjs';
import { ensureChromium, ensureInstalled } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { runTool, runToolBeside } from './run.mjs';

const started = Date.now();
const step = async (name, work) => {
  const from = Date.now();
  process.stderr.write(`\n— ${name}\n`);
  await work();
  process.stderr.write(`  ${((Date.now() - from) / 1000).toFixed(0)} s\n`);
};

await step('packages', ensureInstalled);
let chromium = '';
await step('browser', () => {
  chromium = ensureChromium();
});
let postgres = null;
await step('database server', async () => {
  postgres = await startPostgres();
});
const onServer = postgres ? { TEST_DATABASE_URL: postgres.url } : {};
// Each of these keeps one processor busy: those of a pair run side by side.
await step('lint, layers, build', async () => {
  const lint = runToolBeside('eslint/bin/eslint.js', ['.', '--max-warnings', '0']);
  await ensureBuilt();
  const layers = ['--config', '.dependency-cruiser.mjs', 'src'];
  runTool('dependency-cruiser/bin/dependency-cruise.mjs', layers);
  runTool('knip/bin/knip.js', ['--no-progress']);
  await lint();
});
await step('format and types', async () => {
  const format = runToolBeside('prettier/bin/prettier.cjs', ['--check', '.']);
  runTool('typescript/bin/tsc', ['--noEmit']);
  await format();
});
await step('unit tests', () =>
  runTool('jest/bin/jest.js', [], {
    // A database lives for seconds in a test: its code is compiled once, and not a second time for speed.
    flags: ['--liftoff-only'],
    env: { NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --experimental-vm-modules`, ...onServer },
  }),
);
await step('browser tests', () =>
  runTool('@playwright/test/cli.js', ['test'], { env: { CHROMIUM: chromium, ...onServer } }),
);
await postgres?.stop();
process.stderr.write(`\nAll passed in ${((Date.now() - started) / 60000).toFixed(1)} min\n`);
