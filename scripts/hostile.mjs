// `npm run hostile`: treats the program badly and prints what became of it; not part of the tests, since it takes long.
import { ensureBuilt } from './build.mjs';
import { bundle } from './bundle.mjs';
import { ensureInstalled } from './install.mjs';
import { run } from './run.mjs';

ensureInstalled({ isWhole: true });
await ensureBuilt();
run(process.execPath, [
  await bundle('bench/hostile/hostile.ts', 'hostile', { external: ['pg'] }),
  ...process.argv.slice(2),
]);
