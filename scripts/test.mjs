// `npm test`: installs what is missing, then lint, types, unit tests, build and browser tests. Stops at the first fault.
import { ensureBooks } from './books.mjs';
import { ensureBuilt } from './build.mjs';
import { ensureChromium, ensureInstalled } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { runJest, runTool, runToolBeside, steps, twoAtATime } from './run.mjs';
import { keepTemporaryInMemory } from './temporary.mjs';
import { ensureWorkers } from './workers.mjs';

const { step, finish } = steps();
keepTemporaryInMemory();

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
await ensureWorkers();
const tool = (path, args) => () => runToolBeside(path, args)();
// The longest first, so that both processors end at about the same time.
await step('lint, layers, format, types, build, the books of the tests', () =>
  twoAtATime([
    tool('eslint/bin/eslint.js', ['.', '--max-warnings', '0']),
    ensureBuilt,
    () => ensureBooks({ isExact: true }),
    tool('prettier/bin/prettier.cjs', ['--check', '.']),
    tool('@typescript/native-preview/bin/tsgo', ['--noEmit']),
    tool('dependency-cruiser/bin/dependency-cruise.mjs', ['--config', '.dependency-cruiser.mjs', 'src']),
    tool('knip/bin/knip.js', ['--no-progress']),
  ]),
);
await step('unit tests', () => runJest([], around));
await step('browser tests', () =>
  runTool('@playwright/test/cli.js', ['test'], { env: { CHROMIUM: chromium, ...around } }),
);
await postgres?.stop();
finish();
