// `npm run demo`: installs and builds what is missing, loads the demo book and serves it. `-- --reset` starts it afresh.
import { ensureBuilt } from './build.mjs';
import { demoBook, resetBook } from './folders.mjs';
import { installToRun } from './install.mjs';
import { serve } from './serve.mjs';

await installToRun();
await ensureBuilt({ isShown: true });
const folder = demoBook();
if (process.argv.includes('--reset')) resetBook(folder);
serve({ folder, demo: true });
