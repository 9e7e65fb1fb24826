// Bundles a program of ours for Node, with what it is made of; several may do so at once.
import { mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './run.mjs';

export const cache = join(root, 'node_modules', '.cache', 'pebble-road');

/** Packages that are not written as modules still ask for `require`. */
const REQUIRE =
  "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);";

/**
 * A bundle is kept while every file that it is made of has the size and the time that it had.
 * @param entry of the program, from the root of the project
 * @param name of the bundle
 * @returns where the bundle is
 */
export async function bundle(entry, name, options = {}) {
  const done = join(cache, `${name}.mjs`);
  const how = JSON.stringify({ entry, options, node: process.version });
  if (isKept(name, how)) return done;
  const { buildSync } = await import('esbuild');
  mkdirSync(cache, { recursive: true });
  const started = Date.now();
  const fresh = join(cache, `${name}.${process.pid}.mjs`);
  const { metafile } = buildSync({
    absWorkingDir: root,
    entryPoints: [entry],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: fresh,
    logLevel: 'error',
    metafile: true,
    banner: { js: REQUIRE },
    ...options,
  });
  const inputs = [...Object.keys(metafile.inputs), 'package-lock.json', 'tsconfig.json'];
  const files = Object.fromEntries(inputs.map((path) => [path, stateOf(path)]));
  renameSync(fresh, done);
  // A file written while it was read may have been read as it was before: such a bundle is made again.
  const isSettled = inputs.every((path) => statSync(join(root, path)).mtimeMs < started);
  const stamp = `${fresh}.json`;
  writeFileSync(stamp, JSON.stringify(isSettled ? { how, files } : {}));
  renameSync(stamp, `${done}.json`);
  return done;
}

function isKept(name, how) {
  try {
    statSync(join(cache, `${name}.mjs`));
    const kept = JSON.parse(readFileSync(join(cache, `${name}.mjs.json`), 'utf8'));
    return kept.how === how && Object.entries(kept.files).every(([path, state]) => stateOf(path) === state);
  } catch {
    // Nothing there, or a file that it was made of is gone.
    return false;
  }
}

function stateOf(path) {
  const { size, mtimeMs } = statSync(join(root, path));
  return `${size} ${mtimeMs}`;
}
