import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './run.mjs';

/** One number for what files and folders hold; tests do not count. */
export function hashOf(inputs) {
  const sources = createHash('sha256');
  const add = (path) => {
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) add(join(path, name));
      return;
    }
    if (/\.test\.tsx?$/.test(path)) return;
    sources.update(path.slice(root.length)).update(readFileSync(path));
  };
  for (const input of inputs) add(join(root, input));
  return sources.digest('hex');
}
