// `npm run demo`: installs and builds what is missing, loads the demo book and serves it. `-- --reset` starts it afresh.
import { ensureBuilt } from './build.mjs';
import { demoBook, resetBook } from './folders.mjs';
import { ensureInstalled } from './install.mjs';
import { serve } from './serve.mjs';

ensureInstalled();
await ensureBuilt();
const folder = demoBook();
if (process.argv.includes('--reset')) resetBook(folder);
serve({ folder, demo: true });
