// `npm run test:long`: the unit tests with all that is long by nature: hundreds of searches, thousands of captures, every property as
// often as its error rate asks for and with a seed that is drawn anew, commands and readers on PostgreSQL as well. It is run before a
// change to what it is about is called done, with the longest journeys in a browser. `-- src/core/experiment` for a part of it;
// PEBBLE_SEED to see the same run again.
import { ensureBooks } from './books.mjs';
import { ensureBuilt } from './build.mjs';
import { ensureChromium, ensureInstalled } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { runJest, runTool, steps } from './run.mjs';
import { keepTemporaryInMemory } from './temporary.mjs';

const { step, finish } = steps();
keepTemporaryInMemory();
ensureInstalled({ isWhole: true });
const seed = process.env.PEBBLE_SEED ?? String(Math.floor(Math.random() * 2 ** 31));
const postgres = await startPostgres();
process.stderr.write(`Properties begin with PEBBLE_SEED=${seed}\n`);
const around = {
  PEBBLE_LONG: '1',
  PEBBLE_SEED: seed,
  PEBBLE_WHOLE: '1',
  ...(postgres ? { TEST_DATABASE_URL: postgres.url } : {}),
};
const part = process.argv.slice(2);
await step('unit tests, all of them', () => runJest(part, around));
if (part.length === 0)
  await step('long journeys in a browser', async () => {
    const chromium = ensureChromium();
    await ensureBuilt();
    await ensureBooks({ isExact: true });
    runTool('@playwright/test/cli.js', ['test', '--grep', '@long'], {
      env: { CHROMIUM: chromium, ...around },
    });
  });
await postgres?.stop();
finish();
