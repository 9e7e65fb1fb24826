import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ended, fail, say } from './program';

/** Five programs at once on one folder, each killed at the end of its round: exactly one of them may own it. */
export async function locks(folder: string, n: number): Promise<void> {
  const place = join(folder, 'contested');
  for (let round = 0; round < n; round++) {
    const all = Array.from({ length: 5 }, () => {
      const child = spawn(process.execPath, [process.argv[1]!, 'starter', place], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      return {
        child,
        said: new Promise<string>((done) => child.stdout.once('data', (d: Buffer) => done(String(d).trim()))),
      };
    });
    const owners = (await Promise.all(all.map(({ said }) => said))).filter((word) => word === 'owner').length;
    for (const { child } of all) await ended(child);
    if (owners !== 1) fail(`${owners} owners in round ${round}`);
  }
  say(`locks: ${n} rounds of 5 starters, one owner in each`);
}
