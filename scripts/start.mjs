// `npm start`: the driver's own book, empty at first.
import { ensureBuilt } from './build.mjs';
import { ownBook } from './folders.mjs';
import { installToRun } from './install.mjs';
import { serve } from './serve.mjs';

await installToRun();
await ensureBuilt({ isShown: true });
serve({ folder: ownBook() });
