import { closeSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';

/** Another live process owns the data folder. */
export class FolderInUse extends Error {
  constructor(
    readonly folder: string,
    readonly pid: number,
  ) {
    super(
      `The book in ${folder} is open in another Pebble Road (process ${pid}). ` +
        'Close that one first, or set PEBBLE_DATA to another folder for this one.',
    );
  }
}

const LOCK_FILE = 'owner.lock';
/** Folders that this very process owns; a lock with our pid that is not among them is left from an earlier life. */
const held = new Set<string>();

/**
 * Makes this process the one owner of a data folder: the embedded database does not lock, and two processes would
 * corrupt it silently. A lock whose process is gone is taken over.
 * @returns a function that gives the folder free
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const file = join(/* turbopackIgnore: true */ folder, LOCK_FILE);
  for (;;) {
    try {
      const handle = openSync(file, 'wx');
      writeSync(handle, String(process.pid));
      closeSync(handle);
      held.add(file);
      return () => {
        held.delete(file);
        rmSync(file, { force: true });
      };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const owner = Number(readFileSync(file, 'utf8').trim());
    if (owner === process.pid ? held.has(file) : isAlive(owner)) throw new FolderInUse(folder, owner);
    rmSync(file, { force: true });
  }
}

function isAlive(pid: number): boolean {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
