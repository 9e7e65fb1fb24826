import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, mkdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { FolderInUse, lockFolder } from './folderLock';

const folder = mkdtempSync(join(tmpdir(), 'pebble-lock-'));
const starter = join(folder, 'starter.mjs');

beforeAll(() => {
  buildSync({
    stdin: {
      resolveDir: process.cwd(),
      contents: `
        import { lockFolder } from './src/data/folderLock';
        lockFolder(process.argv[2]).then(
          () => { console.log('owner'); setInterval(() => undefined, 1000); },
          (error) => { console.log(error.constructor.name + ' ' + error.pid); process.exit(3); },
        );`,
    },
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: starter,
  });
});
afterAll(() => rmSync(folder, { recursive: true }));

/** A program that starts on a folder; resolves with what it says of the lock. */
function start(place: string): { child: ChildProcess; said: Promise<string> } {
  const child = spawn(process.execPath, [starter, place], { stdio: ['ignore', 'pipe', 'inherit'] });
  const said = new Promise<string>((resolve) =>
    child.stdout!.once('data', (chunk: Buffer) => resolve(chunk.toString().trim())),
  );
  return { child, said };
}

async function end(child: ChildProcess): Promise<void> {
  const gone = new Promise((resolve) => child.once('exit', resolve));
  if (child.exitCode !== null || child.signalCode !== null) return;
  child.kill('SIGKILL');
  await gone;
}

it('of several programs that start at once exactly one owns the folder, again and again', async () => {
  const place = join(folder, 'contested');
  mkdirSync(place);
  // As an earlier version left it, with the number of a process that lives.
  writeFileSync(join(place, 'owner.lock'), String(process.pid));
  for (let round = 0; round < 4; round++) {
    const all = Array.from({ length: 5 }, () => start(place));
    try {
      const said = await Promise.all(all.map((one) => one.said));
      const owner = all[said.indexOf('owner')]!.child;
      expect(said.filter((word) => word === 'owner')).toHaveLength(1);
      expect(said.filter((word) => word.startsWith('FolderInUse'))).toHaveLength(4);
      // Who comes while the owner is only just writing its number down knows that there is one, not yet which.
      const named = said.filter((word) => /^FolderInUse \d/.test(word));
      expect(new Set(named)).toEqual(new Set(named.length > 0 ? [`FolderInUse ${owner.pid}`] : []));
    } finally {
      // Killed, not ended: nothing is left that another one could stumble over.
      await Promise.all(all.map(({ child }) => end(child)));
    }
  }
});

it('the folder is the same by whatever way it is reached, and is free once it is given free', async () => {
  const place = join(folder, 'one');
  const free = await lockFolder(place);
  symlinkSync(place, join(folder, 'other-way'));
  await expect(lockFolder(join(folder, 'other-way'))).rejects.toThrow(FolderInUse);
  await expect(lockFolder(place)).rejects.toThrow(/process \d+.*set PEBBLE_DATA to another folder/);
  await (
    await lockFolder(join(folder, 'another'))
  )();
  await free();
  await (
    await lockFolder(place)
  )();
});
