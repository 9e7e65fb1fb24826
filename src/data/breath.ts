let last: Promise<void> = Promise.resolve();

/**
 * Lets everybody else have their turn. A database in the same process answers without ever waiting, so that a long row of
 * readings would otherwise hold up all requests from its beginning to its end. Of many who ask at once each goes on in a
 * turn of its own.
 */
export function breath(): Promise<void> {
  last = last.then(() => new Promise<void>((resolve) => setImmediate(resolve)));
  return last;
}
