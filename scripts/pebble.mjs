// `npm run -s pebble -- <command> …`: bundles the command line where its sources are newer, then runs it.
import { pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';
import { ensureInstalled } from './install.mjs';

ensureInstalled();
await import(pathToFileURL(await bundle('src/cli/pebble.ts', 'pebble', { minify: true })).href);
