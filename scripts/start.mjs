// `npm start`: the driver's own book, empty at first.
import { ensureBuilt } from './build.mjs';
import { ownBook } from './folders.mjs';
import { ensureInstalled } from './install.mjs';
import { serve } from './serve.mjs';

ensureInstalled();
await ensureBuilt();
serve({ folder: ownBook() });
