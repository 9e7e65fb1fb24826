// Loaded before the server of a browser test: closes the book that it has and opens that of the next test:
// a server that runs already need not start for each.
process.on('message', async ({ folder }) => {
  const book = await globalThis.pebbleBook;
  delete globalThis.pebbleBook;
  await book?.close();
  process.env.PEBBLE_DATA = folder;
  // What was read of the book before is read anew.
  globalThis.pebbleBookVersion = (globalThis.pebbleBookVersion ?? 0) + 1;
  process.send('exchanged');
});
