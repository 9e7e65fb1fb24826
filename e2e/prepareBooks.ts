import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { startServer, TEMPLATES, type BookName } from './server';

/** Makes one demo book and one empty book; every test works on a copy, which opens in a second. */
export default async function prepareBooks() {
  rmSync(TEMPLATES, { force: true, recursive: true });
  for (const book of ['demo', 'empty'] satisfies BookName[]) {
    const folder = join(TEMPLATES, book);
    mkdirSync(folder, { recursive: true });
    const server = await startServer(folder, book);
    // What is worked out once is worked out here, not in every test.
    if (book === 'demo') await fetch(`${server.url}/axes/brake`);
    await server.stop();
  }
}
