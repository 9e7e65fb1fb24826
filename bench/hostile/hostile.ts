/**
 * `npm run hostile`: what a program meets that is treated badly. Prints figures for docs/reliability.md; takes about half
 * an hour whole, and can be asked for a part: `npm run hostile -- locks|inputs|requests|kills [rounds]`, `server [minutes]`.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir, totalmem } from 'node:os';
import { join } from 'node:path';
import { lockFolder } from '@/data/folderLock';
import { inputs } from './inputs';
import { kills } from './kills';
import { locks } from './locks';
import { onServer } from './onServer';
import { say } from './program';
import { requests } from './requests';

const [part = 'all', rounds] = process.argv.slice(2);
const wants = (name: string) => part === 'all' || part === name;
const count = (usual: number) => Number(rounds ?? usual);

// Started again as one of many programs on one folder, it says whether it owns it and waits to be killed.
if (part === 'starter') {
  await lockFolder(rounds!).then(
    () => say('owner'),
    () => say('refused'),
  );
  setInterval(() => undefined, 1000);
} else {
  say(
    `${new Date().toISOString().slice(0, 10)}, Node ${process.version}, ${cpus().length} cores (${cpus()[0]?.model}), ${Math.round(totalmem() / 2 ** 30)} GiB`,
  );
  const folder = mkdtempSync(join(tmpdir(), 'pebble-hostile-'));
  try {
    if (wants('locks')) await locks(folder, count(100));
    if (wants('inputs')) inputs(count(90_000));
    if (wants('requests')) await requests(folder, count(10_000));
    if (wants('kills')) await kills(folder, count(100));
    if (wants('server')) await onServer(folder, count(10));
  } finally {
    rmSync(folder, { force: true, recursive: true });
  }
}
