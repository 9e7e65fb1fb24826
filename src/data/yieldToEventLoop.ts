/** A turn of the others that takes longer is work; a page is drawn in many of them, one soon after the other. */
const QUIET_MS = 1;
const QUIET_TURNS = 3;
/** While they work they have this many times as long as whoever breathes had before, so that both go on. */
const SHARE = 2;
const MOST_MS = 100;

let last: Promise<void> = Promise.resolve();
let lastAt = 0;

/**
 * Lets everybody else have their turn, until they have nothing to do for the moment or had their share. A database in the
 * same process answers without ever waiting, so that a long row of statements would otherwise hold up all requests: from
 * its beginning to its end, or, with one turn after each of them, by a statement for every step in which a page is drawn.
 * Of many who ask at once each goes on in a turn of its own.
 */
export function yieldToEventLoop(): Promise<void> {
  last = last.then(untilQuiet);
  return last;
}

async function untilQuiet(): Promise<void> {
  const from = performance.now();
  const until = from + Math.min(MOST_MS, SHARE * (from - lastAt));
  let quiet = 0;
  do {
    const before = performance.now();
    await new Promise<void>((resolve) => setImmediate(resolve));
    lastAt = performance.now();
    quiet = lastAt - before < QUIET_MS ? quiet + 1 : 0;
  } while (quiet < QUIET_TURNS && lastAt < until);
}
