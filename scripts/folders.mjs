import { rmSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

/** The user's data folder on this system: where books live unless PEBBLE_DATA says otherwise. */
export function userData() {
  const home = homedir();
  if (process.platform === 'win32')
    return join(process.env.LOCALAPPDATA ?? join(home, 'AppData', 'Local'), 'pebble-road');
  if (process.platform === 'darwin') return join(home, 'Library', 'Application Support', 'pebble-road');
  return join(process.env.XDG_DATA_HOME ?? join(home, '.local', 'share'), 'pebble-road');
}

/** The driver's own book, and the demo's. */
export const ownBook = () => process.env.PEBBLE_DATA ?? join(userData(), 'own');
export const demoBook = () => process.env.PEBBLE_DATA ?? join(userData(), 'demo');

/** Takes a book away, and the mark that one lives there. */
export function resetBook(folder) {
  for (const name of ['book', 'pebble-road.json'])
    rmSync(join(folder, name), { force: true, recursive: true });
}
