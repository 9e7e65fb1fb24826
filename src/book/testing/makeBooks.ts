import { cpSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { analysisOf } from '@/book/read/readAxis';
import { notLike } from 'drizzle-orm';
import { listCaptures } from '@/data/captures';
import type { Database } from '@/data/database';
import { fillDemoBook } from '@/data/demoBook';
import { fillEvening } from '@/data/demoEvening';
import { openBook } from '@/data/openBook';
import { listRigs } from '@/data/rigs';
import { captures } from '@/data/schema';

/**
 * Makes an empty book, the demo's as it begins, the same with few captures, and the demo's with its evening driven to the end,
 * each in a folder of its own.
 */
async function makeBooks(folder: string): Promise<void> {
  const own = (name: string) => join(folder, name);
  const inBook = async (name: string, fill: (db: Database) => Promise<void>) => {
    const book = await openBook(own(name), join(process.cwd(), 'drizzle'));
    await fill(book.db);
    await book.close();
  };
  mkdirSync(own('empty'), { recursive: true });
  await inBook('empty', () => Promise.resolve());
  cpSync(own('empty'), own('begun'), { recursive: true });
  await inBook('begun', async (db) => {
    await fillDemoBook(db);
    // What is worked out of a capture is kept beside it: here once, and not in every test.
    for (const rig of await listRigs(db))
      for (const capture of await listCaptures(db, rig.id)) await analysisOf(db, capture);
  });
  cpSync(own('begun'), own('few'), { recursive: true });
  // Of eleven weeks of captures those of today.
  await inBook('few', async (db) => void (await db.delete(captures).where(notLike(captures.id, '%-0'))));
  cpSync(own('begun'), own('demo'), { recursive: true });
  await inBook('demo', (db) => fillEvening(db));
}

await makeBooks(process.argv[2]!);
process.exit(0);
