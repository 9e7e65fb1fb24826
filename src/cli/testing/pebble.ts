import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { main } from '../main';

/** Runs the command line as the shell would, and keeps what it says. */
export function pebble(...argv: string[]) {
  let out = '';
  let err = '';
  const code = main(
    argv,
    (text) => (out += text),
    (text) => (err += text),
  );
  return { code, out, err, json: () => JSON.parse(out) as Record<string, unknown> };
}

/** A folder for the files of a test, gone after it. */
export function filesForTests() {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-cli-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  return {
    folder,
    file(name: string, text: string): string {
      const path = join(folder, name);
      writeFileSync(path, text);
      return path;
    },
  };
}
