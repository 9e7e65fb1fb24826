// `npm test`: installs what is missing, then lint, types, unit tests, build and browser tests. Stops at the first fault.
import { ensureBooks } from './books.mjs';
import { ensureBuilt } from './build.mjs';
import { ensureChromium, ensureInstalled } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { runJest, runTool, runToolBeside, steps } from './run.mjs';

const { step, finish } = steps();

await step('packages', () => ensureInstalled({ isWhole: true }));
let chromium = '';
await step('browser', () => {
  chromium = ensureChromium();
});
let postgres = null;
await step('database server', async () => {
  postgres = await startPostgres();
});
const around = { PEBBLE_WHOLE: '1', ...(postgres ? { TEST_DATABASE_URL: postgres.url } : {}) };
// Each of these keeps one processor busy: those of a pair run side by side.
await step('lint, layers, build', async () => {
  const lint = runToolBeside('eslint/bin/eslint.js', ['.', '--max-warnings', '0']);
  await ensureBuilt();
  const layers = ['--config', '.dependency-cruiser.mjs', 'src'];
  runTool('dependency-cruiser/bin/dependency-cruise.mjs', layers);
  runTool('knip/bin/knip.js', ['--no-progress']);
  await lint();
});
await step('format, types, the books of the tests', async () => {
  const format = runToolBeside('prettier/bin/prettier.cjs', ['--check', '.']);
  const books = ensureBooks({ isExact: true });
  runTool('typescript/bin/tsc', ['--noEmit']);
  await books;
  await format();
});
await step('unit tests', () => runJest([], around));
await step('browser tests', () =>
  runTool('@playwright/test/cli.js', ['test'], { env: { CHROMIUM: chromium, ...around } }),
);
await postgres?.stop();
finish();
