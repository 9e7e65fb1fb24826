import 'server-only';
import { reasonOf } from '@/core/problem';
import { forgetMemos } from '@/book/read/memo';
import { countWrite } from '@/book/read/cachedUntilWrite';
import { closeBook, theBook } from '@/data/book';
import { fillDemoBook } from '@/data/demoBook';
import { fillEvening } from '@/data/demoEvening';

/** Opens the book (and fills the demo's, where it is empty); says in one line why it cannot. */
export async function startBook() {
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      void closeBook().finally(() => process.exit(0));
    });
  try {
    const { db, onWritten } = await theBook();
    // Another program on the same server wrote: what was worked out of the book is worked out anew.
    onWritten((what) => {
      if (what === 'replaced') forgetMemos(db);
      countWrite();
    });
    if (process.env['PEBBLE_DEMO'] === '1') await fillDemoBook(db);
    (globalThis as { pebbleIsOpen?: () => void }).pebbleIsOpen?.();
    // The first page does not wait for two dozen rides: they come in while it is looked at.
    if (process.env['PEBBLE_DEMO'] === '1')
      void fillEvening(db, countWrite).catch((error: unknown) =>
        process.stderr.write(`The demo’s evening was not driven to its end: ${reasonOf(error)}\n`),
      );
  } catch (error) {
    process.stderr.write(`${reasonOf(error)}\n`);
    process.exit(1);
  }
}
