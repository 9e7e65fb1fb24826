// `npm run demo`: installs and builds what is missing, loads the demo book and serves it. `-- --reset` starts it afresh.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './build.mjs';
import { demoBook } from './folders.mjs';
import { ensureInstalled } from './install.mjs';
import { serve } from './serve.mjs';

ensureInstalled();
ensureBuilt();
const folder = demoBook();
if (process.argv.includes('--reset')) rmSync(join(folder, 'book'), { force: true, recursive: true });
serve({ folder, demo: true });
