import 'server-only';
import { revalidatePath } from 'next/cache';

const place = globalThis as typeof globalThis & { pebbleBookVersion?: number };

/** Counts the changes of the book that this process made, or was told of. */
export function bookVersion(): number {
  return place.pebbleBookVersion ?? 0;
}

/** Places of which what is read is kept: about as many as browsers and tabs ask for in turn. */
const MOST = 24;

/**
 * What is read of the book, kept until the book is written to.
 * @param keyOf tells places apart, of which each is kept by itself; those asked for longest ago go first
 */
export function cachedUntilWrite<A extends unknown[], T>(
  read: (...of: A) => Promise<T>,
  keyOf: (...of: A) => string = () => '',
): (...of: A) => Promise<T> {
  let latest = -1;
  const known = new Map<string, Promise<T>>();
  return (...of) => {
    const version = bookVersion();
    if (latest !== version) known.clear();
    latest = version;
    const key = keyOf(...of);
    const value = known.get(key) ?? read(...of);
    known.delete(key);
    known.set(key, value);
    if (known.size > MOST) known.delete(known.keys().next().value!);
    value.catch(() => known.get(key) === value && known.delete(key));
    return value;
  };
}

/** The book is another one than a page shows: the page is drawn again as it is. */
export function showAgain(): void {
  revalidatePath('/', 'layout');
}

/** The book was written to, here or by another program: what was worked out of it is worked out anew. */
export function countWrite(): void {
  place.pebbleBookVersion = bookVersion() + 1;
}

/** Every write says so here: what was worked out from the book is worked out anew, on the server and in the page. */
export function bookChanged(): void {
  countWrite();
  revalidatePath('/', 'layout');
}
