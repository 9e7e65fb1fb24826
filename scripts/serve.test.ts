import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'pebble-serve-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What serving says and ends with, for these settings of the server. */
function serving(env: Record<string, string>): Promise<{ code: number | null; said: string }> {
  const script = join(folder, 'serve.mjs');
  const serve = JSON.stringify(join(process.cwd(), 'scripts', 'serve.mjs'));
  writeFileSync(
    script,
    `import { serve } from ${serve}; serve({ folder: ${JSON.stringify(join(folder, 'book'))} });`,
  );
  const child = spawn(process.execPath, [script], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stdout.on('data', (chunk: Buffer) => (said += String(chunk)));
  child.stderr.on('data', (chunk: Buffer) => (said += String(chunk)));
  return new Promise((resolve) => child.once('exit', (code) => resolve({ code, said })));
}

it.each(['0.0.0.0', '192.168.1.5', '::', 'boathouse.invalid'])(
  'a book is not opened to other machines by %s alone; what it means is said',
  async (host) => {
    const { code, said } = await serving({ HOST: host });
    expect(code).toBe(2);
    expect(said).toMatch(
      /would open the book to other machines: whoever reaches this one could read and change/,
    );
    expect(said).toMatch(/PEBBLE_OPEN_TO_NETWORK=yes/);
    expect(said).not.toMatch(/Pebble Road is at/);
  },
);

it('a port that is none is refused in words', async () => {
  expect(await serving({ PORT: 'many' })).toEqual({
    code: 2,
    said: 'PORT is a number up to 65535, not "many".\n',
  });
});
