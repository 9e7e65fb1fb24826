// Run after every `npm install`: some platforms' optional binaries are not in the registry at the exact version, so
// npm leaves them out of the lock and `npm ci` then refuses it. A stub entry for each makes the lock whole.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './run.mjs';

/** Optional dependencies that the lock names but does not hold: `[path, stub]` each. */
export function missingEntries(lock) {
  const missing = new Map();
  for (const [path, entry] of Object.entries(lock.packages)) {
    for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
      if (path === '' || holds(lock, path, name)) continue;
      const exact = version.replace(/^[~^]/, '');
      missing.set(`node_modules/${name}`, {
        version: exact,
        optional: true,
        ...(entry.dev ? { dev: true } : {}),
        ...platformOf(name),
      });
    }
  }
  return [...missing];
}

/** Node looks for a package beside its dependant and in every folder above it. */
function holds(lock, path, name) {
  for (let at = path; ; at = at.slice(0, at.lastIndexOf('/node_modules/'))) {
    if (lock.packages[`${at}/node_modules/${name}`]) return true;
    if (!at.includes('/node_modules/')) break;
  }
  return lock.packages[`node_modules/${name}`] !== undefined;
}

function platformOf(name) {
  const words = name.split(/[/-]/);
  const os = ['android', 'darwin', 'freebsd', 'linux', 'openharmony', 'win32'].find((word) =>
    words.includes(word),
  );
  const cpu = ['arm64', 'arm', 'ia32', 'ppc64', 'riscv64', 's390x', 'x64', 'wasm32'].find((word) =>
    words.includes(word),
  );
  return { ...(os ? { os: [os] } : {}), ...(cpu ? { cpu: [cpu] } : {}) };
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const file = join(root, 'package-lock.json');
  const lock = JSON.parse(readFileSync(file, 'utf8'));
  const missing = missingEntries(lock);
  for (const [path, stub] of missing) lock.packages[path] = stub;
  const sorted = Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1));
  lock.packages = Object.fromEntries(sorted);
  writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
  process.stderr.write(`${missing.length} optional entries added to the lock\n`);
}
