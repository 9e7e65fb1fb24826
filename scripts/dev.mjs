// `npm run dev`: the demo book, rebuilt as the sources change.
import { demoBook } from './folders.mjs';
import { ensureInstalled } from './install.mjs';
import { serve } from './serve.mjs';
import { ensureWorkers } from './workers.mjs';

ensureInstalled();
await ensureWorkers();
serve({ folder: demoBook(), demo: true, dev: true });
