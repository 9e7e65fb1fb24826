// Bundles a program of ours for Node, with what it is made of; several may do so at once.
import { mkdirSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './run.mjs';

export const cache = join(root, 'node_modules', '.cache', 'pebble-road');

/** Packages that are not written as modules still ask for `require`. */
const REQUIRE =
  "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);";

/**
 * @param entry of the program, from the root of the project
 * @param name of the bundle
 * @returns where the bundle is
 */
export async function bundle(entry, name, options = {}) {
  const { buildSync } = await import('esbuild');
  mkdirSync(cache, { recursive: true });
  const fresh = join(cache, `${name}.${process.pid}.mjs`);
  buildSync({
    absWorkingDir: root,
    entryPoints: [entry],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: fresh,
    logLevel: 'error',
    banner: { js: REQUIRE },
    ...options,
  });
  const done = join(cache, `${name}.mjs`);
  renameSync(fresh, done);
  return done;
}
