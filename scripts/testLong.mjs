// `npm run test:long`: the unit tests with all that is long by nature: hundreds of searches, thousands of captures, every property as
// often as its error rate asks for and with a seed that is drawn anew, commands and readers on PostgreSQL as well. It is run before a
// change to what it is about is called done. `-- src/core/experiment` for a part of it; PEBBLE_SEED to see the same run again.
import { ensureInstalled } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { runJest, steps } from './run.mjs';
import { keepTemporaryInMemory } from './temporary.mjs';

const { step, finish } = steps();
keepTemporaryInMemory();
ensureInstalled({ isWhole: true });
const seed = process.env.PEBBLE_SEED ?? String(Math.floor(Math.random() * 2 ** 31));
const postgres = await startPostgres();
process.stderr.write(`Properties begin with PEBBLE_SEED=${seed}\n`);
await step('unit tests, all of them', () =>
  runJest(process.argv.slice(2), {
    PEBBLE_LONG: '1',
    PEBBLE_SEED: seed,
    PEBBLE_WHOLE: '1',
    ...(postgres ? { TEST_DATABASE_URL: postgres.url } : {}),
  }),
);
await postgres?.stop();
finish();
