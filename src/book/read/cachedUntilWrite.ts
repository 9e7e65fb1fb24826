import 'server-only';
import { revalidatePath } from 'next/cache';

const place = globalThis as typeof globalThis & { pebbleBookVersion?: number };

/** Counts the changes of the book in this process, which is the only one that may write to it. */
export function bookVersion(): number {
  return place.pebbleBookVersion ?? 0;
}

/** What is read of the book, kept until the book changes. */
export function cachedUntilWrite<T>(read: () => Promise<T>): () => Promise<T> {
  let latest: { version: number; value: Promise<T> } | null = null;
  return () => {
    const version = bookVersion();
    if (latest?.version !== version) {
      const value = read();
      latest = { version, value };
      value.catch(() => (latest = null));
    }
    return latest!.value;
  };
}

/** The book is another one than a page shows: the page is drawn again as it is. */
export function showAgain(): void {
  revalidatePath('/', 'layout');
}

/** Every write says so here: what was worked out from the book is worked out anew, on the server and in the page. */
export function bookChanged(): void {
  place.pebbleBookVersion = bookVersion() + 1;
  revalidatePath('/', 'layout');
}
