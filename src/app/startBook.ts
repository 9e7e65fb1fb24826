import 'server-only';
import { reasonOf } from '@/core/problem';
import { closeBook, database } from '@/data/book';
import { fillDemoBook } from '@/data/demoBook';

/** Opens the book (and fills the demo's, where it is empty); says in one line why it cannot. */
export async function startBook() {
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      void closeBook().finally(() => process.exit(0));
    });
  try {
    const db = await database();
    if (process.env['PEBBLE_DEMO'] === '1') await fillDemoBook(db);
    (globalThis as { pebbleIsOpen?: () => void }).pebbleIsOpen?.();
  } catch (error) {
    process.stderr.write(`${reasonOf(error)}\n`);
    process.exit(1);
  }
}
