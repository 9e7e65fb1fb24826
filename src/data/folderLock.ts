import { createHash } from 'node:crypto';
import {
  closeSync,
  constants,
  mkdirSync,
  openSync,
  readFileSync,
  statSync,
  writeSync,
  ftruncateSync,
} from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { join } from 'node:path';

/** Another live process owns the data folder. */
export class FolderInUse extends Error {
  constructor(
    readonly folder: string,
    readonly pid: number | null,
  ) {
    super(
      `The book in ${folder} is open in another Pebble Road${pid === null ? '' : ` (process ${pid})`}. ` +
        'Close that one first, or set PEBBLE_DATA to another folder for this one.',
    );
  }
}

/** Gives the folder free. */
export type Unlock = () => Promise<void>;

/**
 * Makes this process the one owner of a data folder: the embedded database does not lock, and two processes would
 * corrupt it silently. The system itself gives the lock free when the process dies, however it dies: it is a name to
 * listen on (Linux, Windows) or a file that is open for one alone (macOS and other BSDs), never a file that outlives its
 * owner. The folder is known by where it lies on the disk, by whatever path it is reached.
 */
export async function lockFolder(folder: string): Promise<Unlock> {
  mkdirSync(folder, { recursive: true });
  const named = nameOf(folder);
  return named === null ? lockFile(folder) : listenOn(named, folder);
}

/** The name to listen on: one for each folder of this machine; `null` where the system has no such names. */
function nameOf(folder: string): string | null {
  const { dev, ino } = statSync(folder, { bigint: true });
  const name = `pebble-road-${createHash('sha256').update(`${dev}:${ino}`).digest('hex').slice(0, 32)}`;
  // The abstract names of Linux and the pipes of Windows exist only as long as somebody listens on them.
  if (process.platform === 'linux') return `\0${name}`;
  return process.platform === 'win32' ? `\\\\.\\pipe\\${name}` : null;
}

function listenOn(name: string, folder: string): Promise<Unlock> {
  return new Promise((resolve, reject) => {
    // Whoever asks is told which process has the folder.
    const server: Server = createServer((asks) => {
      asks.on('error', () => undefined);
      asks.end(String(process.pid));
    });
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EADDRINUSE' && error.code !== 'EACCES') return reject(error);
      void ownerOf(name).then((pid) => reject(new FolderInUse(folder, pid)));
    });
    server.listen(name, () => {
      server.unref();
      resolve(() => new Promise((closed) => server.close(() => closed())));
    });
  });
}

const ANSWERS_WITHIN_MS = 2000;

/** The process that listens; `null` where it does not say in time (it may be busy). */
function ownerOf(name: string): Promise<number | null> {
  return new Promise((resolve) => {
    let said = '';
    const asks = connect(name);
    const finish = () => {
      asks.destroy();
      resolve(/^\d+$/.test(said) ? Number(said) : null);
    };
    asks.setTimeout(ANSWERS_WITHIN_MS, finish);
    asks.on('data', (chunk: Buffer) => (said += chunk.toString()));
    asks.on('end', finish);
    asks.on('error', finish);
  });
}

const LOCK_FILE = 'owner.lock';
/** `O_EXLOCK` of the BSDs, which Node does not name: the file is open for one process alone. */
const EXCLUSIVE = 0x20;

function lockFile(folder: string): Unlock {
  const file = join(/* turbopackIgnore: true */ folder, LOCK_FILE);
  try {
    const handle = openSync(file, constants.O_RDWR | constants.O_CREAT | constants.O_NONBLOCK | EXCLUSIVE);
    ftruncateSync(handle);
    writeSync(handle, String(process.pid));
    // The file stays: taking it away would let two processes lock two files of one name.
    return () => Promise.resolve(closeSync(handle));
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code !== 'EAGAIN' && code !== 'EWOULDBLOCK') throw error;
    const said = readFileSync(file, 'utf8').trim();
    throw new FolderInUse(folder, /^\d+$/.test(said) ? Number(said) : null);
  }
}
