// `npm run dev`: the demo book, rebuilt as the sources change.
import { demoBook } from './folders.mjs';
import { ensureInstalled } from './install.mjs';
import { serve } from './serve.mjs';

ensureInstalled();
serve({ folder: demoBook(), demo: true, dev: true });
