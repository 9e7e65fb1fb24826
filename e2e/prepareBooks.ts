import { cpSync, rmSync } from 'node:fs';
// @ts-expect-error -- a script without types
import { ensureBooks } from '../scripts/books.mjs';
import { TEMPLATES } from './server';

/** The demo's book and an empty one; every test works on a copy. */
export default async function prepareBooks() {
  rmSync(TEMPLATES, { force: true, recursive: true });
  cpSync((await ensureBooks({ isExact: process.env['PEBBLE_WHOLE'] === '1' })) as string, TEMPLATES, {
    recursive: true,
  });
}
